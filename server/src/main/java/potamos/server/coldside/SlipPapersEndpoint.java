package potamos.server.coldside;

import io.swagger.v3.oas.annotations.Operation;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import potamos.server.KitchenClock;
import potamos.server.Table;
import potamos.server.accounts.Person;
import potamos.server.kitchen.Kitchens;

/** What was handed out on a day of the kitchen, on paper and as a table; a station sees its own. */
@RestController
class SlipPapersEndpoint {

    /** More than any kitchen hands out in a day. */
    private static final int MOST = 2000;

    private final LotMapper mapper;
    private final Kitchens kitchens;
    private final KitchenClock clock;

    SlipPapersEndpoint(LotMapper mapper, Kitchens kitchens, KitchenClock clock) {
        this.mapper = mapper;
        this.kitchens = kitchens;
        this.clock = clock;
    }

    @Operation(summary = "What was handed out on a day, station by station, on paper")
    @GetMapping(path = "/api/deliveries/slips.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> sheet(@AuthenticationPrincipal Person person, @RequestParam LocalDate day) {
        Kitchens.Kitchen kitchen = kitchens.of(person.kitchenId());
        byte[] pdf = SlipSheet.of(
                kitchen.name(),
                day,
                slips(person, day, kitchen.zone()),
                kitchen.zone(),
                person.units(),
                clock.instant());
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"slips-" + day + ".pdf\"")
                .body(pdf);
    }

    @Operation(summary = "The same as a table")
    @GetMapping(path = "/api/deliveries/slips.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> table(@AuthenticationPrincipal Person person, @RequestParam LocalDate day) {
        ZoneId zone = kitchens.of(person.kitchenId()).zone();
        String table = Table.written(lines -> {
            lines.add(
                    "station",
                    "stock",
                    "lot",
                    "litres",
                    "back_litres",
                    "celsius",
                    "delivered_at",
                    "delivered_by",
                    "taken_over_at",
                    "taken_over_by");
            slips(person, day, zone)
                    .forEach(slip -> lines.add(
                            slip.stationName(),
                            slip.formulaName(),
                            slip.lotCode(),
                            slip.litres(),
                            slip.backLitres(),
                            slip.celsius(),
                            slip.deliveredAt(),
                            slip.deliveredBy(),
                            slip.takenOverAt(),
                            slip.takenOverBy()));
        });
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"slips-" + day + ".csv\"")
                .body(table);
    }

    private List<LotMapper.DeliveryRow> slips(Person person, LocalDate day, ZoneId zone) {
        person.requireALook();
        Instant from = day.atStartOfDay(zone).toInstant();
        Instant to = day.plusDays(1).atStartOfDay(zone).toInstant();
        return mapper.between(person.kitchenId(), person.stationId(), from, to, MOST);
    }
}
