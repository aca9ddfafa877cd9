package nursery.app.cups;

import nursery.app.platform.Published;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry.Poured;
import nursery.core.resin.Mix;

/**
 * Keeps what was really measured for a coat that is written down afterwards: a mix of its own, used up by that coat.
 */
@Published
public interface Pots {

    /** @return the coat, out of that mix */
    Poured measured(Cup cup, Poured pour, Mix pair, boolean byScale);
}
