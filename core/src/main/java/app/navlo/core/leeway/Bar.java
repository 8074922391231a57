package app.navlo.core.leeway;

import app.navlo.core.reason.Rule;

/** Why leeway can't be had. All that apply are said, in this order. */
public enum Bar implements Rule {
    NO_RULE("As far as is known this course gives none"),
    IN_CLASS("It happens at its time, which can't be moved"),
    SHUT_FOR_GOOD("It can't open any more unless the teacher opens what it waits for"),
    NO_DUE("There is no due to move"),
    TOO_EARLY("It can't be asked for yet"),
    TOO_LATE("The time to ask is over"),
    GRADING_CLOSE("The grading close is past"),
    LIMIT("This piece of work has had all that it may have"),
    ANSWER_KEY("The answer key was opened"),
    TOKENS("There aren't enough tokens left"),
    NO_GAIN("It would not move the due");

    private final String template;

    Bar(String template) {
        this.template = template;
    }

    @Override
    public String template() {
        return template;
    }
}
