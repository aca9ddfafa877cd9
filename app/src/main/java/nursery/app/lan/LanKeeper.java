package nursery.app.lan;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import nursery.app.people.Makers;
import nursery.app.people.Role;
import nursery.app.platform.Hosts;
import nursery.app.platform.Moments;
import nursery.app.platform.Secret;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.InitializingBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.sql.init.dependency.DependsOnDatabaseInitialization;
import org.springframework.stereotype.Component;

/**
 * Serves the network only to a shop whose door has a lock, and keeps names and certificate right while it is served: a
 * new address of the machine is in a new certificate within minutes, an old certificate is renewed.
 */
@Component
@DependsOnDatabaseInitialization
@ConditionalOnProperty(Lan.ON)
class LanKeeper implements InitializingBean, DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(LanKeeper.class);
    private static final long EVERY_MINUTES = 5;
    private static final int DEMO_PASSWORD = 16;

    private final Makers makers;
    private final Hosts hosts;
    private final Moments moments;
    private final Certificates certificates;
    private final boolean demo;
    private final ScheduledExecutorService looking = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "lan");
        thread.setDaemon(true);
        return thread;
    });

    LanKeeper(
            Makers makers,
            Hosts hosts,
            Moments moments,
            @Value("${" + Lan.FOLDER + "}") String folder,
            @Value("${nursery.demo:false}") boolean demo) {
        this.makers = makers;
        this.hosts = hosts;
        this.moments = moments;
        this.certificates = new Certificates(Path.of(folder));
        this.demo = demo;
    }

    @Override
    public void afterPropertiesSet() throws IOException {
        if (!makers.isSignInWanted() && demo) {
            String password = Secret.fresh().text().substring(0, DEMO_PASSWORD).replaceAll("(.{4})(?=.)", "$1-");
            makers.add("Mira", Role.OWNER, password, "");
            LOG.info("Demo owner: Mira, password {}", password);
        }
        if (!makers.isSignInWanted()) {
            throw new IllegalStateException("Refused: nobody can sign in to this shop yet, so it is not served to a "
                    + "network. Start it without --lan, make an owner with a password under Shop, Makers, then start "
                    + "it with --lan.");
        }
        LOG.info("Certificate authority, SHA-256: {}", certificates.fingerprint());
        looking.scheduleWithFixedDelay(this::look, EVERY_MINUTES, EVERY_MINUTES, TimeUnit.MINUTES);
    }

    private void look() {
        try {
            Set<String> names = MachineNames.now();
            if (certificates.ensure(Lan.withThisMachine(names), moments.real())) {
                LOG.info("New certificate for {}, good until {}", names, certificates.goodUntil());
            }
            hosts.serve(names);
        } catch (IOException | RuntimeException e) {
            LOG.warn("The certificate could not be looked after", e);
        }
    }

    String fingerprint() throws IOException {
        return certificates.fingerprint();
    }

    byte[] toTrust() throws IOException {
        return Files.readAllBytes(certificates.toTrust());
    }

    @Override
    public void destroy() {
        looking.shutdownNow();
    }
}
