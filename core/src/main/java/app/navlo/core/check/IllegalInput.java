package app.navlo.core.check;

import java.util.List;
import java.util.stream.Collectors;

/** Input that no rule can be asked about. It carries every problem that was found, not only the first. */
public final class IllegalInput extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final transient List<Problem> problems;

    /** @throws IllegalArgumentException if there are no problems */
    public IllegalInput(List<Problem> problems) {
        super(problems.stream().map(Problem::toString).collect(Collectors.joining("; ")));
        if (problems.isEmpty()) {
            throw new IllegalArgumentException("an input without problems isn't illegal");
        }
        this.problems = List.copyOf(problems);
    }

    public List<Problem> problems() {
        return problems;
    }
}
