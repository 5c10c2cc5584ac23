/** Drawings as numbers: where each mark of a seat strip, tideline or run line stands. Pages turn them into SVG. */
@NullMarked
package jollyroster.chart;

import org.jspecify.annotations.NullMarked;
