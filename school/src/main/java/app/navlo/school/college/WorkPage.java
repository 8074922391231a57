package app.navlo.school.college;

import app.navlo.school.college.College.Refused;
import app.navlo.school.page.Html;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** The page of one piece of work at the school: what is asked, and for a quiz its questions. */
final class WorkPage {
    private static final DateTimeFormatter AT = DateTimeFormatter.ofPattern("EEEE d MMMM, HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);
    private static final int DAY_ALONE = 10;
    private static final String HEAD = """
            <!doctype html>
            <html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
            <title>%1$s · %2$s</title>
            <style>
            :root { color-scheme: light dark }
            body { font: 16px/1.55 Georgia, serif; max-width: 42rem; margin: 2.5rem auto; padding: 0 1rem;
                   background: light-dark(#fbfaf6, #16201d); color: light-dark(#22312c, #e4e2d6) }
            h1 { font-size: 1.6rem; line-height: 1.25; margin: .2rem 0 1rem }
            h2 { font-size: 1.15rem; margin: 2rem 0 .6rem }
            dl { display: grid; grid-template-columns: auto 1fr; gap: .25rem 1.2rem; border-top: 1px solid;
                 border-bottom: 1px solid; padding: .8rem 0 } dt { font-weight: bold } dd { margin: 0 }
            p { white-space: pre-line } ol { padding-left: 1.6rem }
            fieldset { border: 0; border-top: 1px solid light-dark(#d8d4c6, #3a4742); padding: .9rem 0; margin: 0 }
            legend { float: left; width: 100%%; font-weight: bold; padding: 0; margin-bottom: .4rem }
            label { display: block; clear: both; padding: .2rem 0 } input { margin: 0 .6rem 0 0 }
            button { font: inherit; padding: .5rem 1.1rem; margin: .4rem .6rem .4rem 0; cursor: pointer }
            [role=alert] { border-left: 4px solid light-dark(#9c2f3b, #e08b93); padding-left: .8rem }
            </style>
            <main><div>%2$s</div><h1>%1$s</h1>
            """;

    private final College college;
    private final Item item;

    WorkPage(College college, Item item) {
        this.college = college;
        this.item = item;
    }

    String write() {
        return write(Map.of(), null);
    }

    /** Begins an attempt, and shows its questions. */
    String begin() throws Refused {
        college.begin(item);
        return write();
    }

    /**
     * Takes the answers, unless some are missing and nobody said that this is meant; then they stay as they were chosen.
     *
     * @param form by "1", "2" and so on the answer of a question; "as-it-is" where missing ones are meant
     */
    String answer(Map<String, String> form) throws Refused {
        List<String> given = new ArrayList<>();
        for (int at = 1; at <= item.quiz().questions().size(); at++) {
            given.add(form.getOrDefault(String.valueOf(at), ""));
        }
        List<Integer> without = item.quiz().unanswered(given);
        if (without.isEmpty() || form.containsKey("as-it-is")) {
            college.answer(item, given);
            return write();
        }
        String which = String.join(", ", without.stream().map(String::valueOf).toList());
        return write(
                form,
                (without.size() == 1
                                ? "Question " + which + " has no answer yet. Answer it"
                                : "Questions " + which + " have no answer yet. Answer them")
                        + ", or hand it in as it is.");
    }

    private String write(Map<String, String> chosen, @Nullable String missing) {
        CollegeFiles.Course course = college.files().courses().get(item.course());
        String name = course == null ? item.course() : course.name();
        StringBuilder page = new StringBuilder(HEAD.formatted(Html.text(item.title()), Html.text(name)));
        page.append("<dl>\n");
        facts().forEach(fact -> page.append("<dt>%s</dt><dd>%s</dd>%n".formatted(fact[0], Html.text(fact[1]))));
        page.append("</dl>\n<p>")
                .append(Html.text(item.instructions().isBlank() ? "No instructions." : item.instructions()))
                .append("</p>\n");
        if (!item.quiz().isEmpty()) {
            attempts(page);
            questions(page, chosen, missing);
        }
        return page.append("</main></html>\n").toString();
    }

    private List<String[]> facts() {
        List<String[]> facts = new ArrayList<>();
        ZoneId zone = college.files().zone();
        CollegeFiles.Course course = college.files().courses().get(item.course());
        if (course != null) {
            facts.add(new String[] {"Set by", course.teacher()});
        }
        if (item.opens() != null) {
            facts.add(new String[] {"Opens", AT.format(item.opens().atZone(zone))});
        }
        Instant due = item.due();
        if (due != null) {
            boolean day = item.dueText() != null && item.dueText().length() == DAY_ALONE;
            facts.add(new String[] {
                item.ends() == null ? "Due" : "On",
                day ? "by the end of " + DAY.format(due.minusSeconds(1).atZone(zone)) : AT.format(due.atZone(zone))
            });
        }
        if (item.points() != null) {
            facts.add(new String[] {"Points", item.points().toPlainString()});
        }
        if (item.attempts() > 0) {
            facts.add(new String[] {"Attempts", String.valueOf(item.attempts())});
        }
        facts.add(
                new String[] {"How", item.takes().isEmpty() ? how() : how() + ": " + String.join(", ", item.takes())});
        return facts;
    }

    private String how() {
        if (!item.quiz().isEmpty()) {
            return "On this page, " + item.quiz().questions().size() + " questions";
        }
        return item.files() ? "Files" : item.text() ? "A text" : item.expectsHandIn() ? "At the college" : "In class";
    }

    /** What was handed in so far, with its score where it is known. */
    private void attempts(StringBuilder page) {
        List<Deed> life = college.life(item);
        Map<Integer, String> points = new HashMap<>();
        life.stream()
                .filter(deed -> deed.kind() == Deed.Kind.SCORED
                        && deed.body().path("posted").asBoolean(true))
                .forEach(deed ->
                        points.put(attemptOf(deed), deed.body().path("points").asString("")));
        List<Deed> taken =
                life.stream().filter(deed -> deed.kind() == Deed.Kind.HANDED_IN).toList();
        if (taken.isEmpty()) {
            return;
        }
        page.append("<h2>Handed in</h2>\n<ol>\n");
        for (Deed deed : taken) {
            String got = points.get(attemptOf(deed));
            page.append("<li>%s: %s</li>%n"
                    .formatted(
                            AT.format(deed.at().atZone(college.files().zone())),
                            got == null
                                    ? "not scored yet"
                                    : new BigDecimal(got).toPlainString() + " of " + possible() + " points"));
        }
        page.append("</ol>\n");
    }

    private static int attemptOf(Deed deed) {
        return deed.body().path("attempt").asInt(1);
    }

    private String possible() {
        return item.points() == null ? "0" : item.points().toPlainString();
    }

    private void questions(StringBuilder page, Map<String, String> chosen, @Nullable String missing) {
        String why = college.whyNot(item);
        if (why != null) {
            page.append("<p>").append(Html.text(why)).append("</p>\n");
            return;
        }
        int attempt = (int) college.used(item) + 1;
        String which = "attempt " + attempt + (item.attempts() > 0 ? " of " + item.attempts() : "");
        page.append("<form method=\"post\">\n");
        if (!college.isBegun(item)) {
            page.append("<button name=\"begin\" value=\"yes\">Begin %s</button>%n</form>%n".formatted(which));
            return;
        }
        page.append("<h2>A%s</h2>%n".formatted(which.substring(1)));
        if (missing != null) {
            page.append("<p role=\"alert\">").append(Html.text(missing)).append("</p>\n");
        }
        int number = 1;
        for (Quiz.Question question : item.quiz().questions()) {
            page.append("<fieldset><legend>%d. %s</legend>%n".formatted(number, Html.text(question.words())));
            for (String answer : question.offered(attempt)) {
                page.append("<label><input type=\"radio\" name=\"%d\" value=\"%s\"%s>%s</label>%n"
                        .formatted(
                                number,
                                Html.text(answer),
                                answer.equals(chosen.get(String.valueOf(number))) ? " checked" : "",
                                Html.text(answer)));
            }
            page.append("</fieldset>\n");
            number++;
        }
        page.append("<button>Hand in ").append(which).append("</button>\n");
        if (missing != null) {
            page.append("<button name=\"as-it-is\" value=\"yes\">Hand it in as it is</button>\n");
        }
        page.append("</form>\n");
    }
}
