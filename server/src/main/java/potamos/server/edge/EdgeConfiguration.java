package potamos.server.edge;

import org.springframework.boot.jetty.ConfigurableJettyWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What stands between the sockets and the application. */
@Configuration
class EdgeConfiguration {

    @Bean
    WebServerFactoryCustomizer<ConfigurableJettyWebServerFactory> edge() {
        return factory -> factory.addServerCustomizers(
                server -> server.setHandler(new Arrivals(new Bulkhead(server.getHandler()))));
    }
}
