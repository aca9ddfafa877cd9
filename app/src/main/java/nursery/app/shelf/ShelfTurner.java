package nursery.app.shelf;

import java.util.List;
import nursery.app.platform.Published;
import nursery.core.log.Spindle;

/** A turner with its speed and its spindles. */
@Published
public record ShelfTurner(long id, String name, double rpm, List<Spindle> spindles) {}
