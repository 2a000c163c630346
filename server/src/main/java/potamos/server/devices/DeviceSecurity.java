package potamos.server.devices;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import potamos.server.accounts.BearerFilter;

/** Readings are sent with the device's own token and nothing else. */
@Configuration
class DeviceSecurity {

    private static final String HOW = "Send the device's token: Authorization: Bearer …; it was told when it was made.";

    @Bean
    @Order(2)
    SecurityFilterChain readings(HttpSecurity http, Devices devices) throws Exception {
        return BearerFilter.alone(
                        http.securityMatcher(PathPatternRequestMatcher.withDefaults()
                                .matcher(HttpMethod.POST, "/api/devices/{id}/readings")),
                        devices::caller,
                        HOW)
                .build();
    }
}
