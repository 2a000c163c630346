package potamos.server.calc;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.web.SecurityFilterChain;
import potamos.server.accounts.BearerFilter;

/** Calculations are opened by a bearer token alone: no session, so no cookie that another site could make a browser send. */
@Configuration
class CalcSecurity {

    private static final String HOW = "Send a token of the kitchen: Authorization: Bearer …; it is made under Kitchen.";

    @Bean
    @Order(1)
    SecurityFilterChain calculations(HttpSecurity http, Tokens tokens) throws Exception {
        return BearerFilter.alone(http.securityMatcher("/api/calc/**"), tokens::caller, HOW)
                .build();
    }
}
