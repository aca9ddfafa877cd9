/**
 * A bench scale that streams its weight: the feed any scale may write to and the mixing bench reads, and a simulated
 * scale that speaks the same lines. See docs/scale.md.
 */
@NullMarked
package nursery.app.scale;

import org.jspecify.annotations.NullMarked;
