package app.navlo.core.work;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.time.Deadline;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Pieces of work and lives at random, for tests that look for a law rather than for an example. */
final class Lives {
    static final Instant START = Instant.parse("2026-10-20T08:00:00Z");
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final int MINUTES = 14 * 24 * 60;

    private final Random random;
    private long order;

    Lives(long seed) {
        random = new Random(seed);
    }

    Instant moment() {
        return START.plus(Duration.ofMinutes(random.nextInt(MINUTES)));
    }

    private boolean oftenNot() {
        return random.nextInt(3) > 0;
    }

    private Deadline deadline() {
        return random.nextBoolean()
                ? Deadline.at(moment())
                : Deadline.endOf(LocalDate.of(2026, 10, 21).plusDays(random.nextInt(12)), ZONE);
    }

    WorkItem item() {
        Deadline due = oftenNot() ? deadline() : null;
        Instant opens = random.nextInt(4) == 0 ? moment() : null;
        return new WorkItem(
                new WorkId("w"),
                "Work",
                WorkKind.values()[random.nextInt(WorkKind.values().length)],
                random.nextInt(5) > 0,
                random.nextInt(6) > 0,
                new WorkItem.Marking(
                        Rational.of(20),
                        random.nextBoolean() ? Rational.of(60) : null,
                        KeptScore.values()[random.nextInt(4)]),
                new WorkItem.Schedule(
                        due != null && opens != null && due.instant().isBefore(opens) ? null : opens,
                        due,
                        random.nextInt(4) == 0 ? deadline() : null,
                        random.nextInt(3) == 0 ? Duration.ofHours(random.nextInt(72)) : null,
                        random.nextInt(3) == 0 ? moment() : null),
                random.nextInt(3) == 0 ? Integer.valueOf(1 + random.nextInt(3)) : null,
                random.nextInt(4) == 0 ? new WorkItem.Parts(1, random.nextInt(3)) : null,
                random.nextInt(3) == 0
                        ? new RedoRule(random.nextBoolean() ? moment() : null, random.nextBoolean())
                        : null);
    }

    List<Fact> facts() {
        List<Fact> facts = new ArrayList<>();
        int many = random.nextInt(9);
        for (int i = 0; i < many; i++) {
            facts.add(fact());
        }
        return facts;
    }

    /** The same with more hand-ins, flags, send-backs and returns, which make a life hard to read. */
    List<Fact> eventful() {
        List<Fact> facts = facts();
        int more = 2 + random.nextInt(6);
        for (int i = 0; i < more; i++) {
            Instant at = moment();
            Stamp stamp = new Stamp(at, at, order++, Actor.TEACHER, "A. Person", "test");
            facts.add(
                    switch (random.nextInt(6)) {
                        case 0, 1 -> new Fact.HandedIn(stamp, 1 + random.nextInt(3), HandInContent.TEXT);
                        case 2 -> new Fact.Flagged(stamp, Flag.INCOMPLETE);
                        case 3 -> new Fact.Posted(stamp, Fact.Posted.Part.values()[random.nextInt(2)]);
                        case 4 ->
                            new Fact.SentBack(stamp, "a page is missing", random.nextBoolean() ? deadline() : null);
                        default ->
                            new Fact.Returned(stamp, random.nextBoolean() ? new Fact.RedoAsked(deadline()) : null);
                    });
        }
        return facts;
    }

    private Fact fact() {
        Instant at = moment();
        Instant learnt = at.plus(Duration.ofHours(random.nextInt(3) == 0 ? random.nextInt(48) : 0));
        Stamp stamp = new Stamp(at, learnt, order++, Actor.values()[random.nextInt(3)], "A. Person", "test");
        int attempt = 1 + random.nextInt(3);
        return switch (random.nextInt(17)) {
            case 0 -> new Fact.DraftStarted(stamp);
            case 1 -> new Fact.AttemptBegun(stamp, attempt);
            case 2, 3, 4 -> new Fact.HandedIn(stamp, attempt, HandInContent.FILES);
            case 5 -> new Fact.Posted(stamp, random.nextBoolean() ? Fact.Posted.Part.POST : Fact.Posted.Part.REPLY);
            case 6 -> new Fact.Withdrawn(stamp);
            case 7 -> new Fact.SentBack(stamp, "a page is missing", random.nextBoolean() ? deadline() : null);
            case 8 ->
                new Fact.Returned(
                        stamp,
                        random.nextBoolean() ? new Fact.RedoAsked(random.nextBoolean() ? deadline() : null) : null);
            case 9, 10 -> new Fact.Scored(stamp, attempt, Rational.of(random.nextInt(21)), oftenNot(), oftenNot());
            case 11 -> new Fact.Excused(stamp, oftenNot());
            case 12 -> new Fact.Flagged(stamp, Flag.values()[random.nextInt(Flag.values().length)]);
            case 13 -> new Fact.ExtensionAsked(stamp);
            case 14 -> new Fact.ExtensionGranted(stamp, deadline());
            case 15 -> new Fact.TokenUsed(stamp, Duration.ofHours(24));
            default -> new Fact.Reopened(stamp);
        };
    }
}
