/** How an offering is passed on: links, QR codes, snippets, and a view that other sites may show. */
@NullMarked
package jollyroster.sharing;

import org.jspecify.annotations.NullMarked;
