package app.navlo.server.message;

import org.jspecify.annotations.Nullable;

/**
 * In whose words a letter is drafted: a student's own, or those of a guardian about them.
 *
 * @param writer who signs it
 * @param student whom a guardian writes about; null for the student's own
 */
record Voice(String writer, @Nullable String student) {
    boolean own() {
        return student == null;
    }

    /** "I", or the student. */
    String who() {
        return student == null ? "I" : student;
    }

    /** As {@link #who}, where nothing is done by them. */
    String whom() {
        return student == null ? "me" : student;
    }

    String have() {
        return student == null ? "I have" : student + " has";
    }

    String will() {
        return student == null ? "I'll" : student + " will";
    }

    /** A receipt is Navlo's word, whoever hands it on. */
    String receipt() {
        return student == null ? "My receipt is attached" : "The receipt is attached";
    }

    String letter(String teacher, String words) {
        String whose = student == null ? "" : "I am a guardian of " + student + ". ";
        return "Dear " + teacher + ",\n\n" + whose + words + "\n\n" + writer;
    }
}
