/**
 * Being a person here: invitations, guardians, one's password, and where one is signed in.
 * Rules: section 1 of {@code docs/rules.md} says what a guardian sees of a student.
 */
@NullMarked
package app.navlo.server.people;

import org.jspecify.annotations.NullMarked;
