/**
 * Techniques: those that ship, those of the maker's own, their files and their editor. Publishes
 * {@link nursery.app.techniques.TechniqueBook}.
 */
@NullMarked
package nursery.app.techniques;

import org.jspecify.annotations.NullMarked;
