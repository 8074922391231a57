/** Messages to teachers: drafted from the facts, stored, and sent as mail. */
@org.jspecify.annotations.NullMarked
package app.navlo.server.message;
