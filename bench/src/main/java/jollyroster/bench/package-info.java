/** Measures the running application against its own empty page and empty post, and against raw commits, in one run. */
package jollyroster.bench;
