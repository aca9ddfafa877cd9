package nursery.app.lan;

import org.apache.catalina.connector.Connector;
import org.apache.coyote.http11.AbstractHttp11Protocol;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * Plain HTTP beside TLS: for this machine itself as ever, on loopback; what comes from the network is sent to HTTPS by
 * the security rules before anything else is looked at.
 */
@Component
@ConditionalOnProperty(Lan.ON)
class PlainHttp implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {

    private static final int LARGEST_FORM = 4 * 1024 * 1024;
    private static final int MOST_PARAMETERS = 20_000;
    private static final int SWALLOWED = 300 * 1024 * 1024;

    private final int port;

    PlainHttp(@Value("${" + Lan.PLAIN_PORT + "}") int port) {
        this.port = port;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        Connector plain = new Connector(TomcatServletWebServerFactory.DEFAULT_PROTOCOL);
        plain.setScheme("http");
        plain.setPort(port);
        plain.setMaxPostSize(LARGEST_FORM);
        plain.setMaxParameterCount(MOST_PARAMETERS);
        if (plain.getProtocolHandler() instanceof AbstractHttp11Protocol<?> http) {
            http.setMaxSwallowSize(SWALLOWED);
        }
        factory.addAdditionalConnectors(plain);
    }
}
