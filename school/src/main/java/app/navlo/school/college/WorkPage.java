package app.navlo.school.college;

import app.navlo.school.page.Html;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** The page of one piece of work at the school. */
final class WorkPage {
    private static final DateTimeFormatter AT = DateTimeFormatter.ofPattern("EEEE d MMMM, HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);
    private static final int DAY_ALONE = 10;

    private final College college;
    private final Item item;

    WorkPage(College college, Item item) {
        this.college = college;
        this.item = item;
    }

    String write() {
        CollegeFiles.Course course = college.files().courses().get(item.course());
        String name = course == null ? item.course() : course.name();
        StringBuilder page = new StringBuilder("""
                <!doctype html>
                <html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
                <title>%1$s · %2$s</title>
                <style>
                :root { color-scheme: light dark }
                body { font: 16px/1.55 Georgia, serif; max-width: 42rem; margin: 2.5rem auto; padding: 0 1rem;
                       background: light-dark(#fbfaf6, #16201d); color: light-dark(#22312c, #e4e2d6) }
                h1 { font-size: 1.6rem; line-height: 1.25; margin: .2rem 0 1rem }
                dl { display: grid; grid-template-columns: auto 1fr; gap: .25rem 1.2rem; border-top: 1px solid;
                     border-bottom: 1px solid; padding: .8rem 0 } dt { font-weight: bold } dd { margin: 0 }
                p { white-space: pre-line }
                </style>
                <main><div>%2$s</div><h1>%1$s</h1>
                <dl>
                """.formatted(Html.text(item.title()), Html.text(name)));
        facts().forEach(fact -> page.append("<dt>%s</dt><dd>%s</dd>%n".formatted(fact[0], Html.text(fact[1]))));
        page.append("</dl>\n<p>")
                .append(Html.text(item.instructions().isBlank() ? "No instructions." : item.instructions()))
                .append("</p></main></html>\n");
        return page.toString();
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
        String how =
                item.files() ? "Files" : item.text() ? "A text" : item.expectsHandIn() ? "At the college" : "In class";
        facts.add(new String[] {"How", item.takes().isEmpty() ? how : how + ": " + String.join(", ", item.takes())});
        return facts;
    }
}
