package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ConfigurableApplicationContext;

/** Behind a proxy with a certificate, on the same rows as the test kitchen; and without one. */
@ExtendWith(TestKitchen.class)
class ProxyTest {

    private static HttpResponse<String> asked(String url) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create(url + "/api/session"))
                .header("X-Forwarded-Proto", "https")
                .header("X-Forwarded-For", "203.0.113.7")
                .header("X-Forwarded-Host", "elsewhere.test")
                .build();
        return HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void cookiesAreSecureAndTheBrowserIsToldToComeBackTheSameWay() throws Exception {
        try (ConfigurableApplicationContext behind =
                TestKitchen.beside(TestKitchen.database().url(), "--server.forward-headers-strategy=native")) {
            String server = TestKitchen.urlOf(behind);
            HttpResponse<String> answer = asked(server);
            assertThat(answer.statusCode()).isEqualTo(200);
            assertThat(answer.headers().firstValue("Set-Cookie").orElse("")).contains("XSRF-TOKEN", "Secure");
            assertThat(answer.headers().firstValue("Strict-Transport-Security")).isPresent();
        }
    }

    @Test
    void withoutAProxyNobodyIsBelievedWhereTheyComeFrom() throws Exception {
        HttpResponse<String> answer = asked(TestKitchen.url());
        assertThat(answer.headers().firstValue("Set-Cookie").orElse("")).doesNotContain("Secure");
        assertThat(answer.headers().firstValue("Strict-Transport-Security")).isEmpty();
    }
}
