package app.navlo.core.reminder;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.Courses;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.id.WorkId;
import app.navlo.core.time.Availability;
import app.navlo.core.time.Stretch;
import app.navlo.core.time.WeeklyHours;
import app.navlo.core.work.Turn;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;

/** When somebody is told that waiting is about to cost something: over random courses, and in the free hours of each day. */
public class ReminderTest {
    private static final int MINUTES = 50;

    private static Availability evenings() {
        Map<DayOfWeek, List<WeeklyHours.Span>> week = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            week.put(day, List.of(new WeeklyHours.Span(LocalTime.of(19, 0), LocalTime.of(21, 0))));
        }
        return Availability.of(new WeeklyHours(week), Courses.ZONE);
    }

    private static Availability never() {
        return Availability.of(new WeeklyHours(Map.of()), Courses.ZONE);
    }

    private static CourseBook book(long seed) {
        Courses courses = new Courses(seed);
        return CourseBook.of(courses.rules(), courses.works(), List.of(), Courses.NOW);
    }

    private static long freeMinutes(Availability free, Instant from, Instant until) {
        return free.sittings(from, until).stream().mapToLong(Stretch::minutes).sum();
    }

    /** It leaves the time that the work takes, comes before the loss, is worth a word, and wakes nobody. */
    @Test
    public void itComesWhileActingStillHelps() {
        int told = 0;
        for (long seed = 0; seed < 300; seed++) {
            CourseBook book = book(seed);
            for (WorkAssessment finding : book.findings()) {
                Optional<Reminder> maybe = Reminder.of(book, finding, MINUTES, evenings(), QuietHours.USUAL);
                if (maybe.isEmpty()) {
                    continue;
                }
                Reminder reminder = maybe.get();
                told++;
                assertEquals(finding.state().move(), Turn.YOURS);
                assertTrue(reminder.at().isBefore(reminder.lossAt()), reminder.toString());
                assertTrue(reminder.lossAt().isAfter(Courses.NOW), reminder.toString());
                assertFalse(QuietHours.USUAL.hold(reminder.at(), Courses.ZONE), reminder.toString());
                assertTrue(freeMinutes(evenings(), reminder.at(), reminder.lossAt()) >= MINUTES, reminder.toString());
                assertTrue(
                        freeMinutes(evenings(), reminder.at(), reminder.lossAt()) < MINUTES + 2 * 120,
                        "not days before it has to be begun: " + reminder);
                assertTrue(
                        reminder.forGood() || reminder.percent().compareTo(Reminder.LEAST_PERCENT) >= 0,
                        reminder.toString());
            }
        }
        assertTrue(told > 300, "only " + told + " were told");
    }

    @Test
    public void itIsDueFromItsMomentUntilTheLoss() {
        Instant loss = Courses.NOW.plus(Duration.ofHours(5));
        Reminder reminder = new Reminder(new WorkId("essay"), Courses.NOW, loss, false, Reminder.LEAST_PERCENT);
        assertFalse(reminder.isDue(Courses.NOW.minusSeconds(1)));
        assertTrue(reminder.isDue(Courses.NOW));
        assertTrue(reminder.isDue(loss.minusSeconds(1)));
        assertFalse(reminder.isDue(loss), "after it nothing helps any more");
    }

    /** Who has no free hours is told an hour and the effort before. */
    @Test
    public void withoutFreeHoursItComesAnHourAndTheEffortBefore() {
        int told = 0;
        for (long seed = 0; seed < 60; seed++) {
            CourseBook book = book(seed);
            for (WorkAssessment finding : book.findings()) {
                Optional<Reminder> maybe = Reminder.of(book, finding, MINUTES, never(), QuietHours.NONE);
                if (maybe.isPresent()) {
                    told++;
                    assertEquals(
                            Duration.between(maybe.get().at(), maybe.get().lossAt()), Duration.ofMinutes(60 + MINUTES));
                }
            }
        }
        assertTrue(told > 20);
    }

    /** As time goes on, the same loss is told at the same moment: so it is told once. */
    @Test
    public void theSameLossIsToldAtTheSameMoment() {
        for (long seed = 0; seed < 100; seed++) {
            Courses courses = new Courses(seed);
            var rules = courses.rules();
            var works = courses.works();
            CourseBook now = CourseBook.of(rules, works, List.of(), Courses.NOW);
            CourseBook later = CourseBook.of(rules, works, List.of(), Courses.NOW.plus(Duration.ofMinutes(7)));
            for (int i = 0; i < now.findings().size(); i++) {
                Optional<Reminder> first =
                        Reminder.of(now, now.findings().get(i), MINUTES, evenings(), QuietHours.USUAL);
                Optional<Reminder> second =
                        Reminder.of(later, later.findings().get(i), MINUTES, evenings(), QuietHours.USUAL);
                if (first.isPresent()
                        && second.isPresent()
                        && first.get().lossAt().equals(second.get().lossAt())) {
                    assertEquals(second.get().at(), first.get().at(), "seed " + seed);
                }
            }
        }
    }
}
