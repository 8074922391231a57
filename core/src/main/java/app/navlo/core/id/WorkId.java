package app.navlo.core.id;

/** Which piece of work it is. */
public record WorkId(String text) implements Comparable<WorkId> {
    /** That of a row of the store. */
    public static WorkId of(long number) {
        return new WorkId(Long.toString(number));
    }

    /**
     * The number of the row.
     *
     * @throws NumberFormatException if it was made from another text
     */
    public long number() {
        return Long.parseLong(text);
    }

    /** By text: "10" comes before "9". */
    @Override
    public int compareTo(WorkId other) {
        return text.compareTo(other.text);
    }

    @Override
    public String toString() {
        return text;
    }
}
