package potamos.server.calc;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.server.accounts.Person;

/** Tokens of a kitchen, made and revoked under Kitchen. */
@RestController
@RequestMapping("/api/tokens")
class TokenEndpoint {

    record TokenView(
            @NotNull String id,
            @NotNull String name,
            @NotNull Instant madeAt,
            Optional<Instant> usedAt,
            Optional<Instant> revokedAt) {}

    record TokenBody(@NotBlank @Size(max = 60) String name) {}

    /** The token, told this once. */
    record TokenTold(@NotNull String token) {}

    private final Tokens tokens;

    TokenEndpoint(Tokens tokens) {
        this.tokens = tokens;
    }

    @Operation(summary = "Tokens of programs")
    @GetMapping
    List<TokenView> all(@AuthenticationPrincipal Person person) {
        return tokens.all(person).stream()
                .map(t -> new TokenView(
                        t.id(),
                        t.name(),
                        t.madeAt(),
                        Optional.ofNullable(t.usedAt()),
                        Optional.ofNullable(t.revokedAt())))
                .toList();
    }

    @Operation(summary = "Makes a token for a program; it is told this once")
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    TokenTold make(@AuthenticationPrincipal Person person, @Valid @RequestBody TokenBody body) {
        return new TokenTold(tokens.make(person, body.name()));
    }

    @Operation(summary = "Revokes a token")
    @PostMapping("/{id}/revocation")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void revoke(@AuthenticationPrincipal Person person, @PathVariable String id) {
        tokens.revoke(person, id);
    }
}
