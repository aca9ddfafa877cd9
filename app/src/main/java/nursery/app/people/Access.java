package nursery.app.people;

import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpMethod;

/**
 * Which address asks for whom: one list, read from the top, the first that fits counts. What stands in none is the
 * owner's, and a test finds an address that stands in none.
 */
final class Access {

    /**
     * A line of it.
     *
     * @param role the least that may; empty for anybody
     */
    record Line(HttpMethod method, String pattern, Optional<Role> role) {}

    private static final HttpMethod GET = HttpMethod.GET;
    private static final HttpMethod POST = HttpMethod.POST;

    static final List<Line> LINES = List.of(
            anybody(GET, "/sign-in"),
            anybody(POST, "/sign-in"),
            anybody(GET, "/join"),
            anybody(POST, "/join"),
            anybody(GET, "/trust"),
            anybody(GET, "/trust/nursery.crt"),
            anybody(GET, "/seen/{secret}"),
            anybody(GET, "/ping"),
            anybody(GET, "/stale"),
            anybody(POST, "/stale"),
            anybody(GET, "/not-yours"),
            anybody(POST, "/not-yours"),
            anybody(GET, "/alarms/feed/{secret}.ics"),
            anybody(GET, "/locked"),
            anybody(POST, "/locked"),
            line(GET, "/me", Role.HELPER),
            line(POST, "/me/**", Role.HELPER),
            anybody(POST, "/sign-out"),
            line(POST, "/unlock", Role.HELPER),
            line(GET, "/people/**", Role.OWNER),
            line(POST, "/people/**", Role.OWNER),
            line(GET, "/devices/**", Role.OWNER),
            line(POST, "/devices/**", Role.OWNER),
            line(GET, "/audit", Role.OWNER),
            line(GET, "/backups", Role.OWNER),
            line(POST, "/backups/**", Role.OWNER),
            line(GET, "/export/shop.zip", Role.OWNER),
            line(GET, "/export/**", Role.MAKER),
            line(GET, "/photos/{name}", Role.HELPER),
            line(GET, "/shelf/ahead", Role.HELPER),
            line(GET, "/figures/**", Role.MAKER),
            line(GET, "/paper/**", Role.HELPER),
            line(POST, "/paper/**", Role.MAKER),
            line(GET, "/cups/{code}/again", Role.MAKER),
            line(POST, "/cups/{code}/again", Role.MAKER),
            line(GET, "/stories/**", Role.HELPER),
            line(GET, "/money", Role.MAKER),
            line(POST, "/money/**", Role.MAKER),
            line(GET, "/links", Role.MAKER),
            line(POST, "/links/**", Role.MAKER),
            line(GET, "/cups/new", Role.MAKER),
            line(GET, "/cups/new/plan", Role.MAKER),
            line(POST, "/cups/new", Role.MAKER),
            line(GET, "/cups/{code}/about", Role.MAKER),
            line(POST, "/cups/{code}/about", Role.MAKER),
            line(GET, "/cups/{code}/steps", Role.MAKER),
            line(POST, "/cups/{code}/steps/**", Role.MAKER),
            line(GET, "/cups/{code}/technique/**", Role.MAKER),
            line(POST, "/cups/{code}/technique", Role.MAKER),
            line(POST, "/cups/{code}/design", Role.MAKER),
            line(GET, "/techniques/compose", Role.MAKER),
            line(GET, "/techniques/{key}/edit", Role.MAKER),
            line(POST, "/techniques/**", Role.MAKER),
            line(GET, "/plan/changes/{id}", Role.MAKER),
            line(GET, "/plan/hours", Role.MAKER),
            line(GET, "/plan/import/**", Role.MAKER),
            line(GET, "/plan/order/**", Role.MAKER),
            line(GET, "/plan/search", Role.MAKER),
            line(GET, "/plan/cup/{code}/rescue", Role.MAKER),
            line(POST, "/plan/**", Role.MAKER),
            line(GET, "/room/import/**", Role.MAKER),
            line(POST, "/room", Role.HELPER),
            line(POST, "/room/**", Role.MAKER),
            line(GET, "/shelf/blanks/new", Role.MAKER),
            line(GET, "/shelf/resins/new", Role.MAKER),
            line(GET, "/shelf/materials/new", Role.MAKER),
            line(POST, "/shelf/materials/{id}/lots/{lot}", Role.HELPER),
            line(POST, "/shelf/materials/{id}/weighed", Role.HELPER),
            line(POST, "/shelf/bottles/{id}", Role.HELPER),
            line(POST, "/shelf/measuring-cups/{id}/in-hand", Role.HELPER),
            line(POST, "/shelf/**", Role.MAKER),
            line(POST, "/designs/{id}/side", Role.HELPER),
            line(POST, "/designs/**", Role.MAKER),
            line(POST, "/faults/**", Role.MAKER),
            line(GET, "/shop", Role.HELPER),
            line(POST, "/shop/maker", Role.HELPER),
            line(POST, "/shop", Role.MAKER),
            line(GET, "/welcome", Role.HELPER),
            line(POST, "/welcome", Role.MAKER),
            line(POST, "/alarms/**", Role.MAKER),
            line(GET, "/", Role.HELPER),
            line(GET, "/board", Role.HELPER),
            line(GET, "/words", Role.HELPER),
            line(GET, "/meets", Role.HELPER),
            line(GET, "/alarms/**", Role.HELPER),
            line(GET, "/cups/**", Role.HELPER),
            line(POST, "/cups/**", Role.HELPER),
            line(GET, "/mix/**", Role.HELPER),
            line(POST, "/mix/**", Role.HELPER),
            line(GET, "/plan/**", Role.HELPER),
            line(GET, "/room/**", Role.HELPER),
            line(GET, "/shelf/**", Role.HELPER),
            line(GET, "/techniques/**", Role.HELPER),
            line(GET, "/designs/**", Role.HELPER),
            line(GET, "/faults/**", Role.HELPER),
            line(GET, "/scale/stream", Role.HELPER),
            line(POST, "/scale/simulated", Role.HELPER));

    private Access() {}

    private static Line line(HttpMethod method, String pattern, Role role) {
        return new Line(method, pattern, Optional.of(role));
    }

    private static Line anybody(HttpMethod method, String pattern) {
        return new Line(method, pattern, Optional.empty());
    }
}
