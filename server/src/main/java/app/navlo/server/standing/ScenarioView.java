package app.navlo.server.standing;

public record ScenarioView(long id, String name, WhatIfForm whatIf) {}
