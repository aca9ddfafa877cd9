package nursery.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;

/** The shop's front door. Expects a database address in its environment; {@code ./nursery} provides one. */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class NurseryApplication {

    public static void main(String[] args) {
        SpringApplication.run(NurseryApplication.class, args);
    }
}
