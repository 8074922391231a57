package app.navlo.server.standing;

import java.util.List;

/**
 * @param items in the order of the course; practice and excused work isn't among them
 * @param undone required work on the way to completion that isn't done; empty for a course graded otherwise
 */
public record GradeView(List<GradeReadingView> readings, List<GradeItemView> items, List<Long> undone) {}
