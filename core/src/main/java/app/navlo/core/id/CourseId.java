package app.navlo.core.id;

/** Which course it is. */
public record CourseId(String text) implements Comparable<CourseId> {
    /** That of a row of the store. */
    public static CourseId of(long number) {
        return new CourseId(Long.toString(number));
    }

    /**
     * The number of the row.
     *
     * @throws NumberFormatException if it was made from another text
     */
    public long number() {
        return Long.parseLong(text);
    }

    @Override
    public int compareTo(CourseId other) {
        return text.compareTo(other.text);
    }

    @Override
    public String toString() {
        return text;
    }
}
