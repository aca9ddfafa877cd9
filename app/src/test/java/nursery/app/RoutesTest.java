package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import nursery.app.ShopUnderTest.Running;
import nursery.app.people.Makers;
import nursery.app.people.Role;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.http.HttpMethod;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.context.WebApplicationContext;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Who may what: every address of the application, for everybody there is. The table is {@code routes.txt}. */
@ExtendWith(ShopUnderTest.class)
class RoutesTest {

    private static final Path TABLE = Path.of("src/test/resources/routes.txt");
    private static final Path FOUND = Path.of("target/routes.txt");
    private static final List<String> EVERYBODY = List.of("anybody", "helper", "maker", "owner");

    /** Each address and method, and the least that may: written by hand. */
    private static Map<String, String> table() throws IOException {
        Map<String, String> table = new LinkedHashMap<>();
        for (String line : Files.readAllLines(TABLE)) {
            if (!line.isBlank()) {
                table.put(line.substring(0, line.lastIndexOf(' ')), line.substring(line.lastIndexOf(' ') + 1));
            }
        }
        return table;
    }

    private static Set<String> routes(Running shop) {
        Set<String> routes = new TreeSet<>();
        RequestMappingHandlerMapping mappings =
                shop.context().getBean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class);
        for (RequestMappingInfo info : mappings.getHandlerMethods().keySet()) {
            Set<RequestMethod> methods = info.getMethodsCondition().getMethods();
            for (String path : info.getPatternValues()) {
                for (RequestMethod method :
                        methods.isEmpty() ? Set.of(RequestMethod.GET, RequestMethod.POST) : methods) {
                    routes.add(method + " " + path);
                }
            }
        }
        // Those of the security library's own filters, and the framework's page of errors.
        routes.addAll(List.of("POST /sign-in", "POST /sign-out", "POST /unlock"));
        routes.removeIf(route -> route.endsWith(" /error"));
        return routes;
    }

    @Test
    void everyAddressStandsInTheTable(Running shop) throws IOException {
        Set<String> routes = routes(shop);
        Files.createDirectories(FOUND.getParent());
        Files.write(FOUND, routes);
        assertThat(routes)
                .as("every address, as in src/test/resources/routes.txt; those found stand in target/routes.txt")
                .isEqualTo(new TreeSet<>(table().keySet()));
    }

    /** A door that is shut answers 401, 403, or the sign-in; one that is open anything else, whatever it is. */
    @Test
    void everybodyMayWhatTheTableSaysAndNoMore(Running shop) throws IOException {
        Makers makers = shop.bean(Makers.class);
        makers.add("owner", Role.OWNER, "tram seed comet lantern", "");
        makers.add("maker", Role.MAKER, "", "4821");
        makers.add("helper", Role.HELPER, "", "4822");
        MockMvcTester web =
                MockMvcTester.from((WebApplicationContext) shop.context(), builder -> builder.apply(springSecurity())
                        .build());
        List<String> wrong = new ArrayList<>();
        try {
            for (Map.Entry<String, String> row : table().entrySet()) {
                for (String who : EVERYBODY) {
                    boolean may = EVERYBODY.indexOf(who) >= EVERYBODY.indexOf(row.getValue());
                    if (isShut(web, row.getKey(), who) == may) {
                        wrong.add("%s as %s: %s".formatted(row.getKey(), who, may ? "is shut" : "is open"));
                    }
                }
            }
        } finally {
            shop.empty();
        }
        assertThat(wrong).isEmpty();
    }

    private static boolean isShut(MockMvcTester web, String route, String who) {
        String[] parts = route.split(" ");
        // No number and no code that there is: what is behind an open door finds nothing.
        String path = parts[1].replaceAll("\\{[^}]+}", "987654").replace("*", "");
        var request = web.method(HttpMethod.valueOf(parts[0])).uri(path).with(csrf());
        if (!who.equals("anybody")) {
            request.with(user(who));
        }
        // A stream never ends: whether it begins is enough.
        MvcTestResult answer = path.endsWith("/stream") ? request.asyncExchange() : request.exchange();
        int status = answer.getResponse().getStatus();
        String to = String.valueOf(answer.getResponse().getRedirectedUrl());
        boolean notYours = "/not-yours".equals(answer.getResponse().getForwardedUrl());
        boolean isMeant = parts[1].equals("/me/sign-out") && !who.equals("anybody");
        return status == 401 || notYours || to.endsWith("/sign-in") && !isMeant;
    }
}
