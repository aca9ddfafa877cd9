package nursery.app.cups;

import nursery.app.platform.Published;

/** Something is logged on a cup for the first time; told within the transaction that writes it. */
@Published
public record CupBegun(String code) {}
