package nursery.app.lan;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.core.env.Environment;

/**
 * What is decided before the server starts, since it starts with it: whether the local network is served, by which
 * certificate, and where plain HTTP answers.
 */
public final class Lan {

    static final String ON = "nursery.lan.on";
    static final String FOLDER = "nursery.lan.folder";
    static final String HOSTS = "nursery.lan.hosts";
    static final String PORT = "nursery.lan.port";
    static final String PLAIN_PORT = "nursery.plain.port";
    private static final Set<String> HERE = Set.of("localhost", "127.0.0.1");

    private Lan() {}

    /**
     * Properties that make the server serve the network; none if it shall not.
     *
     * @param now by the machine's clock
     */
    public static Map<String, Object> properties(Environment environment, java.time.Instant now) throws IOException {
        if (!environment.getProperty(ON, Boolean.class, false)) {
            return Map.of();
        }
        Certificates certificates = new Certificates(Path.of(environment.getProperty(FOLDER, "var/shop/tls")));
        Set<String> hosts = MachineNames.now();
        certificates.ensure(withThisMachine(hosts), now);
        Map<String, Object> properties = new HashMap<>();
        properties.put(HOSTS, String.join(",", hosts));
        properties.put(PLAIN_PORT, environment.getProperty("server.port", "8480"));
        properties.put("server.port", environment.getProperty(PORT, "8443"));
        properties.put("server.address", "0.0.0.0");
        String bundle = "spring.ssl.bundle.jks.lan.";
        properties.put("server.ssl.bundle", "lan");
        properties.put(bundle + "reload-on-update", "true");
        properties.put(bundle + "key.alias", "server");
        properties.put(bundle + "keystore.location", "file:" + certificates.store());
        properties.put(bundle + "keystore.password", certificates.password());
        properties.put(bundle + "keystore.type", "PKCS12");
        properties.put(bundle + "options.enabled-protocols", "TLSv1.2,TLSv1.3");
        return properties;
    }

    static List<String> withThisMachine(Set<String> hosts) {
        Set<String> all = new TreeSet<>(hosts);
        all.addAll(HERE);
        return new ArrayList<>(all);
    }
}
