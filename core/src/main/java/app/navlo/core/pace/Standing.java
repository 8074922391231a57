package app.navlo.core.pace;

import app.navlo.core.reason.Rule;

/** Where a student stands against the dues of a course. */
public enum Standing implements Rule {
    BEHIND("Behind: {overdue} overdue"),
    ON_PACE("On pace: all that was due is done"),
    AHEAD("Ahead by {lead}"),
    WELL_AHEAD("Well ahead, by {lead}; going further than {cap} isn't wanted here");

    private final String template;

    Standing(String template) {
        this.template = template;
    }

    @Override
    public String template() {
        return template;
    }
}
