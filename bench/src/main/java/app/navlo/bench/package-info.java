/** Whole-process measurements. Each prints medians and the figure that was asked for; none can fail a build. */
package app.navlo.bench;
