package nursery.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The names and addresses under which this machine is reached; any other is somebody else's. */
@Published
@Component
public class Hosts {

    private static final Set<String> HERE = Set.of("127.0.0.1", "localhost", "[::1]");

    private volatile Set<String> network;

    /** @param network names and addresses on the local network, empty while it is not served */
    Hosts(@Value("${nursery.lan.hosts:}") Set<String> network) {
        this.network = Set.copyOf(network);
    }

    /** From now on under these; a machine's address changes while it runs. */
    public void serve(Set<String> names) {
        network = Set.copyOf(names);
    }

    public boolean isHere(String host) {
        return HERE.contains(host);
    }

    public boolean isOurs(String host) {
        return HERE.contains(host) || network.contains(host.toLowerCase(Locale.ROOT));
    }

    /** Whether the local network is served. */
    public boolean isNetwork() {
        return !network.isEmpty();
    }

    /**
     * Where a device on the local network finds this shop; where it is not served, as it was asked for.
     *
     * @param tlsPort where the network is served
     */
    public String address(HttpServletRequest request, int tlsPort) {
        return network().stream()
                .filter(host -> !host.contains(":"))
                .findFirst()
                .map(host -> "https://%s:%d".formatted(host, tlsPort))
                .orElseGet(() ->
                        "%s://%s:%d".formatted(request.getScheme(), request.getServerName(), request.getServerPort()));
    }

    public Set<String> network() {
        return new TreeSet<>(network);
    }
}
