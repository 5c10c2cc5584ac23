/** Who leads what when: host schedule, times at which hosts are taken up elsewhere, and conflicts. */
@NullMarked
package jollyroster.hosting;

import org.jspecify.annotations.NullMarked;
