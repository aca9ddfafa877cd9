package nursery.app.people;

import nursery.app.platform.Published;

/** What one may do in the shop; each may do what the next may. */
@Published
public enum Role {
    OWNER("owner", "everything: makers, devices, backups, the audit log"),
    MAKER("maker", "all of the work, the plan, the shelf and the shop's ways"),
    HELPER("helper", "logs work and mixes; sees no prices, changes no settings");

    private final String word;
    private final String words;

    Role(String word, String words) {
        this.word = word;
        this.words = words;
    }

    public String word() {
        return word;
    }

    public String words() {
        return words;
    }

    public boolean atLeast(Role other) {
        return ordinal() <= other.ordinal();
    }
}
