package potamos.server.visits;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Person.Signature;
import potamos.server.accounts.Pins;
import potamos.server.accounts.Role.Right;
import potamos.server.problems.Forbidden;

/** A tablet that several share: whoever acts signs with a PIN, so that each act carries its person. */
@RestController
@RequestMapping("/api/session")
class TabletEndpoint {

    record PinChoice(@NotBlank @Size(max = 20) String pin) {}

    record Signing(
            @NotBlank @Size(max = 36) String personId,
            @NotBlank @Size(max = 20) String pin) {}

    /** Somebody who can sign here. */
    record HandView(
            @NotNull String id,
            @NotNull String name,
            @NotNull String initials) {}

    private final Pins pins;
    private final Visits visits;
    private final KitchenClock clock;

    TabletEndpoint(Pins pins, Visits visits, KitchenClock clock) {
        this.pins = pins;
        this.visits = visits;
        this.clock = clock;
    }

    /** Sets one's own PIN, 4 to 8 digits. */
    @Operation(summary = "Another PIN of one's own")
    @PutMapping("/own-pin")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ownPin(@AuthenticationPrincipal Person person, @Valid @RequestBody PinChoice choice) {
        pins.set(person, choice.pin());
    }

    /** Makes this screen one that several share. It stays so until it is signed out. */
    @Operation(summary = "Makes this a screen that is shared, or one's own again")
    @PostMapping("/shared")
    SessionView share(
            @AuthenticationPrincipal Person person, HttpServletRequest request, HttpServletResponse response) {
        // A tablet on which several sign is part of how a kitchen is set up.
        person.require(Right.SET_UP);
        visits.share(request);
        return become(person.by(Signature.NOBODY), request, response);
    }

    /** Who can sign here. */
    @Operation(summary = "Who can sign at this screen")
    @GetMapping("/hands")
    List<HandView> hands(@AuthenticationPrincipal Person person) {
        return pins.hands(person).stream()
                .map(hand -> new HandView(hand.id(), hand.name(), hand.initials()))
                .toList();
    }

    /** Signs: what is done at this screen from now on is that person's. */
    @Operation(summary = "Signs at a shared screen with a PIN")
    @PostMapping("/signature")
    SessionView sign(
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody Signing signing,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (!visits.shared(request)) {
            throw new Forbidden("A PIN signs only at a tablet that is shared. Sign in with your password.");
        }
        Person signed = pins.sign(person, signing.personId(), signing.pin(), request.getRemoteAddr(), clock.instant());
        visits.touch(request);
        return become(signed, request, response);
    }

    /** Says that somebody still touches this tablet; what was signed stands for another two minutes. */
    @Operation(summary = "Says that the hand at a shared screen is still there")
    @PutMapping("/signature")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void touch(@AuthenticationPrincipal Person person, HttpServletRequest request) {
        // A signature that has ended has become nobody's before it comes here, and is not brought back.
        if (person.signature() == Signature.PIN) {
            visits.touch(request);
        }
    }

    /** Steps back from a shared tablet: it may be looked at, and nothing done, until somebody signs. */
    @Operation(summary = "Steps back from a shared screen")
    @DeleteMapping("/signature")
    SessionView stepBack(
            @AuthenticationPrincipal Person person, HttpServletRequest request, HttpServletResponse response) {
        return visits.shared(request)
                ? become(person.by(Signature.NOBODY), request, response)
                : visits.view(person, request);
    }

    private SessionView become(Person person, HttpServletRequest request, HttpServletResponse response) {
        visits.remember(person, request, response);
        return visits.view(person, request);
    }
}
