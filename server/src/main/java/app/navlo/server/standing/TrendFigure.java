package app.navlo.server.standing;

import app.navlo.core.grade.Reading;

public record TrendFigure(Reading reading, String figure) {}
