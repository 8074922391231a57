package app.navlo.core.policy;

import app.navlo.core.reason.Rule;

/** What decided how much lateness costs. */
public enum LateRule implements Rule {
    NO_DUE("It has no due, so it can't be late"),
    ON_TIME("Handed in by the due of {due}: nothing is lost"),
    WITHIN_GRACE("Late, but within the grace of {grace}: nothing is lost"),
    ASSUMED("Late, and nobody has said what that costs here; {percent} % is assumed where a figure is needed"),
    NOTHING_LOST("Late, and all of the {earned} points stand"),
    FLAT("Late: {percent} % off, {lost} of {earned} points lost, {score} kept"),
    PER_DAY("Days late: {days}, so {percent} % off; {lost} of {earned} points lost, {score} kept");

    private final String template;

    LateRule(String template) {
        this.template = template;
    }

    @Override
    public String template() {
        return template;
    }
}
