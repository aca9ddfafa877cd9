package nursery.app.api;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration
class ApiDescription {

    @Bean
    OpenAPI description() {
        return new OpenAPI()
                .info(new Info()
                        .title("Nursery")
                        .version("1")
                        .description("Mixes, blanks, the cure clock and the cups on the bench. Amounts in ml, "
                                + "lengths in mm, areas in cm², temperatures in °C, "
                                + "moments in UTC. Bad input is answered with 400 and a problem "
                                + "document (RFC 9457) whose \"errors\" names every wrong "
                                + "field."));
    }
}
