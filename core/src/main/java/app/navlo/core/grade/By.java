package app.navlo.core.grade;

/** How a category's percent comes from its items. */
public enum By {
    /** Points earned over points possible. */
    POINTS,
    /** The mean of the items' percents. */
    MEAN
}
