package app.navlo.server.timeline;

public enum SpanKind {
    FREE,
    CLASS,
    BUSY
}
