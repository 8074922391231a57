package app.navlo.formats.ical;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** The text of a calendar file, looked over before any parser gets it: its size, its depth, its encoding. */
final class CalendarText {
    static final int MOST_BYTES = 5 << 20;
    private static final int MOST_COMPONENTS = 30_000;
    private static final int MOST_DEPTH = 6;
    private static final String HEAD = "BEGIN:VCALENDAR";
    private static final String TAIL = "END:VCALENDAR";

    private CalendarText() {}

    /** @return the calendars of the file, one text each; a file may hold several */
    static List<String> calendars(byte[] content) throws CalendarFault {
        if (content.length == 0) {
            throw new CalendarFault("The file is empty. Export it again from your calendar.");
        }
        if (content.length > MOST_BYTES) {
            throw new CalendarFault("The file has " + (content.length >> 20)
                    + " MB; at most 5 MB are read. Export a shorter span, a term for example.");
        }
        String text = decode(content);
        List<String> calendars = new ArrayList<>();
        StringBuilder current = new StringBuilder();
        int depth = 0;
        int components = 0;
        for (String line : (Iterable<String>) text.lines()::iterator) {
            String upper = line.length() > 40 ? line : line.strip().toUpperCase(Locale.ROOT);
            if (upper.startsWith("BEGIN:")) {
                depth++;
                components++;
                refuseIfHostile(depth, components);
            }
            if (depth > 0) {
                current.append(line).append("\r\n");
            } else if (!line.isBlank()) {
                throw new CalendarFault("This is no iCalendar file: it doesn't begin with " + HEAD
                        + ". Choose a file that a calendar exported, often named .ics.");
            }
            if (upper.startsWith("END:")) {
                depth--;
                if (depth == 0 && upper.equals(TAIL)) {
                    calendars.add(current.toString());
                    current.setLength(0);
                }
            }
        }
        if (depth != 0 || calendars.isEmpty()) {
            throw new CalendarFault("The file ends in the middle: its " + TAIL
                    + " is missing. Download or export it again, and wait until it is complete.");
        }
        return calendars;
    }

    /** The same calendar once for each of its events and to-dos, each with everything else that the calendar holds. */
    static List<String> oneByOne(String calendar) {
        List<String> parts = new ArrayList<>();
        StringBuilder shared = new StringBuilder();
        StringBuilder part = new StringBuilder();
        String within = null;
        for (String line : (Iterable<String>) calendar.lines()::iterator) {
            String upper = line.strip().toUpperCase(Locale.ROOT);
            if (within == null && (upper.equals("BEGIN:VEVENT") || upper.equals("BEGIN:VTODO"))) {
                within = upper.substring("BEGIN:".length());
            }
            if (within == null) {
                if (!upper.equals(TAIL)) {
                    shared.append(line).append("\r\n");
                }
                continue;
            }
            part.append(line).append("\r\n");
            if (upper.equals("END:" + within)) {
                parts.add(part.toString());
                part.setLength(0);
                within = null;
            }
        }
        return parts.stream().map(one -> shared + one + TAIL + "\r\n").toList();
    }

    private static void refuseIfHostile(int depth, int components) throws CalendarFault {
        if (depth > MOST_DEPTH) {
            throw new CalendarFault("The file nests its parts " + depth + " deep, which no calendar does.");
        }
        if (components > MOST_COMPONENTS) {
            throw new CalendarFault("The file has more than " + MOST_COMPONENTS
                    + " entries. Export a shorter span, a term for example.");
        }
    }

    /** UTF-8 as the standard asks; older programs wrote Latin-1. */
    private static String decode(byte[] content) {
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(content))
                    .toString();
        } catch (CharacterCodingException latin) {
            text = new String(content, StandardCharsets.ISO_8859_1);
        }
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }
}
