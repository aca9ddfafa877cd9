package nursery.app.techniques;

import nursery.app.platform.Published;
import nursery.core.technique.Technique;

/**
 * A technique on the shelf.
 *
 * @param key in addresses: a word for one that ships, a number for one of the maker's own
 * @param own whether it may be changed
 * @param version counts changes of one's own
 */
@Published
public record ShelvedTechnique(String key, boolean own, int version, Technique technique) {}
