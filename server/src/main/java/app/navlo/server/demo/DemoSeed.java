package app.navlo.server.demo;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.WeeklyHours;
import app.navlo.school.college.School;
import app.navlo.server.demo.DemoFiles.CourseFile;
import app.navlo.server.demo.DemoFiles.PersonFile;
import app.navlo.server.demo.DemoFiles.SchoolFile;
import app.navlo.server.demo.DemoFiles.WorkFile;
import app.navlo.server.http.StandIns;
import app.navlo.server.sheet.TimeSheet;
import app.navlo.server.store.Availabilities;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Confirmations;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Feedback;
import app.navlo.server.store.Files;
import app.navlo.server.store.Guardianships;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Links;
import app.navlo.server.store.Material;
import app.navlo.server.store.Onlookers;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import app.navlo.server.store.SeenMarks;
import app.navlo.server.store.Sight;
import app.navlo.server.store.StoredFile;
import app.navlo.server.store.StudentEstimates;
import app.navlo.server.store.Term;
import app.navlo.server.store.Terms;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Fills an empty store with the made-up college, from its files. */
@Component
class DemoSeed {
    /** What the school calls the point at which the demo begins. */
    private static final String FROM_THE_START = "start";

    /** With which nobody can sign in. */
    private static final String NO_PASSWORD = "none";

    private static final Duration LOOKED_OWN = Duration.ofHours(9);
    private static final Duration LOOKED_GUARDIAN = Duration.ofDays(3);
    private static final Duration SITE_ASKED_AFTER = Duration.ofMinutes(15);
    private static final Duration BOOK_ASKED_AFTER = Duration.ofHours(14);

    private final People people;
    private final Guardianships guardianships;
    private final Confirmations confirmations;
    private final Changes changes;
    private final Courses courses;
    private final Terms terms;
    private final Works works;
    private final Facts facts;
    private final Feedback feedback;
    private final Material material;
    private final HandIns handIns;
    private final Files files;
    private final Drafts drafts;
    private final Availabilities ownTimes;
    private final StudentEstimates estimates;
    private final Links links;
    private final SeenMarks seen;
    private final Onlookers onlookers;
    private final boolean withCohort;

    /** @param withCohort whether the mentor has their students; without, the demo is there sooner */
    DemoSeed(
            People people,
            Guardianships guardianships,
            Confirmations confirmations,
            Changes changes,
            Courses courses,
            Terms terms,
            Works works,
            Facts facts,
            Feedback feedback,
            Material material,
            HandIns handIns,
            Files files,
            Drafts drafts,
            Availabilities ownTimes,
            StudentEstimates estimates,
            Links links,
            SeenMarks seen,
            Onlookers onlookers,
            @Value("${navlo.demo.cohort:true}") boolean withCohort) {
        this.people = people;
        this.guardianships = guardianships;
        this.confirmations = confirmations;
        this.changes = changes;
        this.courses = courses;
        this.terms = terms;
        this.works = works;
        this.facts = facts;
        this.feedback = feedback;
        this.material = material;
        this.handIns = handIns;
        this.files = files;
        this.drafts = drafts;
        this.ownTimes = ownTimes;
        this.estimates = estimates;
        this.links = links;
        this.seen = seen;
        this.onlookers = onlookers;
        this.withCohort = withCohort;
    }

    /**
     * A student of a school, whose term is filled in.
     *
     * @param which in whose files it stands
     */
    private record Filled(School which, SchoolFile file, DemoTimes times, long student, long change, DemoFacts facts) {}

    /** Does nothing if anybody is there already. */
    @Transactional
    public void fillIfEmpty(Instant now) {
        if (!people.isEmpty()) {
            return;
        }
        Map<String, Long> ids = new HashMap<>();
        for (School school : School.values()) {
            fill(school, DemoFiles.school(school), ids, now);
        }
        if (withCohort) {
            fillCohort(School.THORNMERE, now);
        }
    }

    /** A mentor's students; nobody signs in as one of them. */
    private void fillCohort(School which, Instant now) {
        SchoolFile school = DemoFiles.school(which);
        DemoFiles.CohortFile cohort = DemoFiles.cohort(which);
        DemoTimes times = new DemoTimes(ZoneId.of(school.zone()));
        Map<String, CourseFile> courseFiles =
                school.courses().stream().collect(Collectors.toMap(key -> key, key -> DemoFiles.course(which, key)));
        long mentor = addPerson(cohort.mentor(), times.zone(), now);
        long number = 0;
        for (DemoFiles.MemberFile member : cohort.students()) {
            number++;
            String address = member.name().toLowerCase(Locale.ROOT).replace(' ', '.') + "@thornmere.example";
            long student = people.add(
                    new People.NewPerson(address, NO_PASSWORD, member.name(), Role.STUDENT, school.zone(), now));
            guardianships.accept(student, mentor, Sight.ALL, now);
            onlookers.groups(mentor, student, List.of(member.group()));
            Filled filled = begin(which, school, student, member.name(), now);
            long term = terms.add(student, filled.change(), term(school, times));
            Stories stories =
                    new Stories(LocalDateTime.ofInstant(now, times.zone()), member.care(), cohort.seed() + number);
            member.courses()
                    .forEach(key -> addCourse(
                            filled, term, stories.of(Objects.requireNonNull(courseFiles.get(key))), new HashMap<>()));
            seen.all(new SeenMarks.Reader(mentor, student), now.minus(LOOKED_GUARDIAN));
        }
    }

    private Filled begin(School which, SchoolFile school, long student, String name, Instant now) {
        DemoTimes times = new DemoTimes(ZoneId.of(school.zone()));
        long change = changes.add(new Changes.NewChange(
                student, null, ChangeKind.SEED, now, school.school(), "The term so far at " + school.school()));
        return new Filled(
                which,
                school,
                times,
                student,
                change,
                new DemoFacts(facts, feedback, handIns, files, times, change, student, name));
    }

    /** @param ids of people by their addresses, to which those of this school are added */
    private void fill(School which, SchoolFile school, Map<String, Long> ids, Instant now) {
        ZoneId zone = ZoneId.of(school.zone());
        school.people().forEach(person -> ids.put(person.email(), addPerson(person, zone, now)));
        long student = DemoDefinitions.id(ids, school.student());
        school.guardians()
                .forEach(guardian -> guardianships.accept(student, DemoDefinitions.id(ids, guardian), Sight.ALL, now));
        String name = school.people().stream()
                .filter(person -> person.email().equals(school.student()))
                .findFirst()
                .orElseThrow()
                .name();
        Filled filled = begin(which, school, student, name, now);
        long change = filled.change();
        DemoTimes times = filled.times();
        long term = terms.add(student, change, term(school, times));
        Map<String, Long> courseIds = new HashMap<>();
        Map<Long, String> workKeys = new LinkedHashMap<>();
        for (String course : school.courses()) {
            courseIds.put(course, addCourse(filled, term, DemoFiles.course(which, course), workKeys));
        }
        addLinks(filled, now, courseIds, workKeys);
        ownTimes.say(student, change, time(school, courseIds));
        // The student looked this morning, their guardian some days ago.
        seen.all(new SeenMarks.Reader(student, student), now.minus(LOOKED_OWN));
        school.guardians()
                .forEach(guardian -> seen.all(
                        new SeenMarks.Reader(DemoDefinitions.id(ids, guardian), student), now.minus(LOOKED_GUARDIAN)));
    }

    /** To the systems of the simulated school, which told all of it so far. */
    private void addLinks(Filled filled, Instant now, Map<String, Long> courseIds, Map<Long, String> workKeys) {
        School school = filled.which();
        long site = links.add(
                filled.student(),
                filled.change(),
                filled.file().site(),
                new Links.Access(Links.Kind.BOX, StandIns.site(school), school.token(), null),
                FROM_THE_START,
                now.plus(SITE_ASKED_AFTER));
        addKeys(filled, site, true, courseIds, workKeys);
        String gradebook = filled.file().gradebook();
        if (gradebook != null) {
            long book = links.add(
                    filled.student(),
                    filled.change(),
                    gradebook,
                    new Links.Access(
                            Links.Kind.ROSTER,
                            StandIns.gradebook(school),
                            school.token(),
                            filled.file().student()),
                    null,
                    now.plus(BOOK_ASKED_AFTER));
            addKeys(filled, book, false, courseIds, workKeys);
        }
    }

    private void addKeys(
            Filled filled, long link, boolean owns, Map<String, Long> courseIds, Map<Long, String> workKeys) {
        courseIds.forEach(
                (key, course) -> links.addKey(link, filled.change(), Links.KeyKind.COURSE, key, course, owns));
        workKeys.forEach((work, key) -> links.addKey(link, filled.change(), Links.KeyKind.WORK, key, work, owns));
    }

    private static TimeSheet time(SchoolFile school, Map<String, Long> courses) {
        TimeSheet week = TimeSheet.of(hours(school.freeHours()));
        List<TimeSheet.ClassSpan> classes = school.classes().stream()
                .map(one -> {
                    WeeklyHours.Span span = span(one.at());
                    return new TimeSheet.ClassSpan(
                            courses.get(one.course()), one.day(), span.startInclusive(), span.endExclusive());
                })
                .toList();
        return new TimeSheet(
                week.week(), week.days(), classes, week.onHolidays(), null, week.breakMinutes(), week.overrunMinutes());
    }

    private long addPerson(PersonFile person, ZoneId zone, Instant now) {
        long id = people.add(new People.NewPerson(
                person.email(), person.passwordHash(), person.name(), person.role(), zone.getId(), now));
        confirmations.confirm(id, now);
        return id;
    }

    private static WeeklyHours hours(Map<DayOfWeek, List<String>> spans) {
        Map<DayOfWeek, List<WeeklyHours.Span>> hours = new EnumMap<>(DayOfWeek.class);
        spans.forEach((day, those) ->
                hours.put(day, those.stream().map(DemoSeed::span).toList()));
        return new WeeklyHours(hours);
    }

    private static WeeklyHours.Span span(String text) {
        String[] ends = text.split("-");
        return new WeeklyHours.Span(LocalTime.parse(ends[0]), LocalTime.parse(ends[1]));
    }

    private static Term term(SchoolFile school, DemoTimes times) {
        return new Term(
                0,
                0,
                false,
                school.term().name(),
                school.school(),
                times.zone(),
                school.term().firstDay(),
                school.term().lastDay(),
                school.term().daysOff().stream()
                        .map(off -> new Term.DaysOff(off.first(), off.last(), off.name()))
                        .toList(),
                school.term().closes().stream()
                        .map(close -> new Term.GradingPeriod(close.name(), times.at(close.at())))
                        .toList());
    }

    private long addCourse(Filled filled, long term, CourseFile file, Map<Long, String> workKeys) {
        long student = filled.student();
        long change = filled.change();
        DemoTimes times = filled.times();
        long course = courses.add(
                student,
                term,
                change,
                new Course.Details(
                        file.name(),
                        Objects.requireNonNullElse(file.shortName(), file.name()),
                        file.teacher(),
                        file.email(),
                        times.zone(),
                        file.colour()));
        Map<String, Long> ids = new HashMap<>();
        for (WorkFile work : file.works()) {
            long id = works.add(new Works.NewWork(
                    student,
                    change,
                    Work.Origin.SCHOOL,
                    file.name() + "/" + work.title(),
                    null,
                    DemoDefinitions.work(
                            course, StandIns.place(filled.which(), file.name() + "/" + work.title()), work, times, ids),
                    Objects.requireNonNullElse(work.instructions(), "").strip()));
            ids.put(work.title(), id);
            workKeys.put(id, file.name() + "/" + work.title());
            addMaterial(filled, id, work);
            if (work.spent() != null) {
                estimates.addMinutesSpent(
                        student, id, change, times.at(work.facts().get(0).at()), work.spent());
            }
            work.facts().stream()
                    .sorted(Comparator.comparing(fact -> times.at(fact.at())))
                    .forEach(fact -> filled.facts().add(id, file.teacher(), fact));
            layReady(filled, id, work);
        }
        courses.setRules(course, change, DemoDefinitions.rules(file, ids));
        return course;
    }

    private void addMaterial(Filled filled, long id, WorkFile work) {
        long change = filled.change();
        DemoTimes times = filled.times();
        filled.facts().stored(work.attach()).forEach(file -> material.addAttachment(id, change, file));
        DemoFiles.ClassFile figures = work.classFigures();
        if (figures != null) {
            material.addClassFigures(
                    id,
                    change,
                    new Material.ClassFigures(
                            exact(figures.mean()), exact(figures.highest()), exact(figures.lowest())));
        }
        for (DemoFiles.PostFile post : Objects.requireNonNullElse(work.thread(), List.<DemoFiles.PostFile>of())) {
            material.addPost(
                    id, change, new Material.ClassPost(0, times.at(post.at()), post.by(), post.teacher(), post.say()));
        }
        for (DemoFiles.RecordFile told : Objects.requireNonNullElse(work.records(), List.<DemoFiles.RecordFile>of())) {
            material.addOtherRecord(
                    filled.student(),
                    id,
                    change,
                    new Material.OtherRecord(
                            told.by(),
                            times.at(told.at()),
                            Objects.requireNonNullElse(told.title(), work.title()),
                            times.atOrNull(told.due()),
                            times.atOrNull(told.handedIn()),
                            exact(told.points()),
                            told.missing()));
        }
    }

    private static @Nullable Rational exact(@Nullable BigDecimal number) {
        return number == null ? null : Rational.of(number);
    }

    /** What was begun or taken back and not handed in since lies ready. */
    private void layReady(Filled filled, long work, WorkFile file) {
        List<DemoFiles.FactFile> life = file.facts();
        if (life.isEmpty()) {
            return;
        }
        DemoFiles.FactFile last = life.get(life.size() - 1);
        List<StoredFile> lying = last.did().equals("withdrew")
                ? filled.facts().stored(life.get(life.size() - 2).files())
                : last.did().equals("draft") ? filled.facts().stored(last.files()) : List.of();
        if (!lying.isEmpty()) {
            drafts.saveText(filled.student(), work, "", filled.times().at(last.at()));
            lying.forEach(stored -> drafts.addFile(work, stored));
        }
    }
}
