package app.navlo.server.household;

import app.navlo.server.account.Person;
import org.jspecify.annotations.Nullable;

/**
 * That somebody asks for their students.
 *
 * @param device with which they do, which is asked of their own row alone; null for none that says
 */
record Asking(Person reader, Spanning span, @Nullable String device) {}
