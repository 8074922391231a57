package app.navlo.server.leeway;

public record BankUseView(long work, int tokens) {}
