package potamos.server.courses;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.server.accounts.Person;

/** Ways out over HTTP. */
@RestController
class WaysOutEndpoint {

    record Take(
            @NotNull @Valid Trouble trouble,
            int version,
            @NotNull @Valid WaysOutView.Taking way) {}

    private final WaysOut waysOut;

    WaysOutEndpoint(WaysOut waysOut) {
        this.waysOut = waysOut;
    }

    @Operation(
            summary =
                    "What something that goes otherwise does to the course, and the ways out of it; nothing is changed")
    @PostMapping("/api/course/ways-out")
    WaysOutView look(
            @AuthenticationPrincipal Person person,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody Trouble trouble) {
        return WaysOutView.of(waysOut.look(person, days, trouble));
    }

    @Operation(summary = "Takes a way out: all of it, or nothing")
    @PostMapping("/api/course/ways-out/taken")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void take(@AuthenticationPrincipal Person person, @Valid @RequestBody Take body) {
        waysOut.take(person, body.trouble(), body.version(), body.way());
    }
}
