/**
 * Addresses of other machines: fetched with limits, never on this network, but for the stand-ins that ship with Navlo.
 */
@NullMarked
package app.navlo.server.http;

import org.jspecify.annotations.NullMarked;
