/** A stand-in for a mail server: takes real mail on this machine, delivers none of it, and shows it on a page. */
@org.jspecify.annotations.NullMarked
package app.navlo.school.mail;
