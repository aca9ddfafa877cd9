package nursery.app.people;

import nursery.app.platform.Published;

/**
 * Whoever acts, at this very moment.
 *
 * @param open whether nobody needs to sign in: no owner has a password yet
 */
@Published
public record Seat(String name, Role role, boolean open) {

    public boolean isOwner() {
        return role.atLeast(Role.OWNER);
    }

    public boolean isMaker() {
        return role.atLeast(Role.MAKER);
    }
}
