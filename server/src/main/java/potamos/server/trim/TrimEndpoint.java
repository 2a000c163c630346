package potamos.server.trim;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.formula.Item;
import potamos.core.formula.Pantry;
import potamos.server.accounts.Person;

/** The trim bank over HTTP. */
@RestController
@RequestMapping("/api/trim")
class TrimEndpoint {

    /** A dated bag. {@code old} when it has lain longer than it keeps its taste. */
    record TrimView(
            @NotNull String id,
            @NotNull String item,
            @NotNull String name,
            double kg,
            @NotNull LocalDate day,
            long ageDays,
            boolean old,
            @NotNull String putBy) {}

    record TrimPut(
            @NotNull @Size(max = 36) String id,
            @NotNull @Size(max = 60) String item,
            @NotNull Double kg,
            LocalDate day) {}

    record TrimTake(
            @NotNull @Size(max = 36) String id, @NotNull Double kg) {}

    private final TrimBox box;

    TrimEndpoint(TrimBox box) {
        this.box = box;
    }

    @Operation(summary = "Bags of trim that have something left")
    @GetMapping
    List<TrimView> left(@AuthenticationPrincipal Person person) {
        LocalDate today = box.today(person.kitchenId());
        return box.left(person).stream()
                .map(row -> {
                    long age = ChronoUnit.DAYS.between(row.day(), today);
                    return new TrimView(
                            row.id(),
                            row.item(),
                            Pantry.find(row.item()).map(Item::name).orElse(row.item()),
                            row.leftKg(),
                            row.day(),
                            age,
                            age > TrimBox.BEST_WITHIN_DAYS,
                            row.putBy());
                })
                .toList();
    }

    @Operation(summary = "Puts a bag of trim by")
    @PostMapping
    List<TrimView> put(@AuthenticationPrincipal Person person, @Valid @RequestBody TrimPut body) {
        LocalDate day = body.day() == null ? box.today(person.kitchenId()) : body.day();
        box.put(person, body.id(), body.item(), body.kg(), day);
        return left(person);
    }

    @Operation(summary = "Takes out of a bag of trim")
    @PostMapping("/{id}/takings")
    List<TrimView> take(
            @AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody TrimTake body) {
        box.take(person, id, body.id(), body.kg());
        return left(person);
    }
}
