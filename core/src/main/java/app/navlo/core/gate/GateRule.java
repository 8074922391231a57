package app.navlo.core.gate;

import app.navlo.core.reason.Rule;

/** Why a gate is shut. */
enum GateRule implements Rule {
    DATE("Opens {at}, in {off}"),
    DONE("Opens once {work} is done"),
    PERCENT("Needs {need} % on {work}; now {have} %"),
    PERCENT_UNSCORED("Needs {need} % on {work}; it has no score yet"),
    UNIT("Opens once all of {unit} is done; {many} left: {left}"),
    PREVIOUS("Comes after {work}, which isn't done");

    private final String template;

    GateRule(String template) {
        this.template = template;
    }

    @Override
    public String template() {
        return template;
    }
}
