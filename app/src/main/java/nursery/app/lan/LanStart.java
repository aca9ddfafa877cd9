package nursery.app.lan;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.time.Instant;
import java.util.Map;
import org.springframework.boot.EnvironmentPostProcessor;
import org.springframework.boot.SpringApplication;
import org.springframework.core.env.ConfigurableEnvironment;
import org.springframework.core.env.MapPropertySource;

/** Makes the certificate and points the server at it, before there is a server. */
public class LanStart implements EnvironmentPostProcessor {

    @Override
    public void postProcessEnvironment(ConfigurableEnvironment environment, SpringApplication application) {
        try {
            Instant now =
                    Instant.ofEpochMilli(ManagementFactory.getRuntimeMXBean().getStartTime());
            Map<String, Object> properties = Lan.properties(environment, now);
            if (!properties.isEmpty()) {
                environment.getPropertySources().addFirst(new MapPropertySource("lan", properties));
            }
        } catch (IOException e) {
            throw new IllegalStateException("Refused: the shop's certificate could not be made. " + e.getMessage(), e);
        }
    }
}
