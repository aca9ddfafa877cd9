package nursery.app.cups;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import nursery.app.platform.Published;
import nursery.app.shelf.ShelfBlank;
import nursery.app.shelf.ShelfResin;
import nursery.core.technique.Schools;

/**
 * A cup in the making, apart from its plan and log.
 *
 * @param code     what is written on its tape
 * @param name     what it will be
 * @param madeFor  whom or what it is for, possibly empty
 * @param paint    colour under the glitter, as #rrggbb
 * @param glitter  colour of the glitter, as #rrggbb
 * @param technique the name of the technique its plan was copied from
 * @param matters   how much an hour late counts beside other cups
 */
@Published
public record Cup(long id, String code, String name, String madeFor, ShelfBlank blank, ShelfResin base, ShelfResin last,
        Optional<LocalDate> dueOn, String paint, String glitter, Schools schools, String technique, Instant startedAt, int matters) {}
