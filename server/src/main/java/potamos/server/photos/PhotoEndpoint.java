package potamos.server.photos;

import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.live.Changes;
import potamos.server.problems.NotFound;

/** Photos of a batch over HTTP. */
@RestController
@RequestMapping("/api/batches/{batchId}/photos")
class PhotoEndpoint {

    private static final int MOST_PHOTOS = 40;
    private static final String AN_ID = "[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}";

    /** What a photo is of. */
    enum Subject {
        SHADE,
        CLARITY,
        SET,
        OTHER
    }

    record PhotoView(
            @NotNull String id,
            @NotNull Subject subject,
            @NotNull String by,
            @NotNull String byName,
            @NotNull Instant at,
            int width,
            int height) {}

    private final PhotoMapper mapper;
    private final Changes changes;
    private final KitchenClock clock;

    PhotoEndpoint(PhotoMapper mapper, Changes changes, KitchenClock clock) {
        this.mapper = mapper;
        this.changes = changes;
        this.clock = clock;
    }

    @GetMapping
    List<PhotoView> all(@AuthenticationPrincipal Person person, @PathVariable String batchId) {
        person.require(Right.READ);
        return mapper.of(batchId, person.kitchenId()).stream()
                .map(row -> new PhotoView(
                        row.id(),
                        Subject.valueOf(row.subject()),
                        row.initials(),
                        row.takenByName(),
                        row.takenAt(),
                        row.width(),
                        row.height()))
                .toList();
    }

    /** A photo never changes, so whoever may see it keeps it. */
    @GetMapping(path = "/{id}", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> one(
            @AuthenticationPrincipal Person person, @PathVariable String batchId, @PathVariable String id) {
        person.require(Right.READ);
        PhotoMapper.Jpeg photo = mapper.jpeg(id, batchId, person.kitchenId()).orElseThrow(() -> new NotFound("photo"));
        return ResponseEntity.ok()
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(30)).cachePrivate().immutable())
                .body(photo.jpeg());
    }

    /** Takes a photo in: JPEG or PNG, up to 8 MB. Sent twice with the same id it is kept once. */
    @PutMapping(
            path = "/{id}",
            consumes = {MediaType.IMAGE_JPEG_VALUE, MediaType.IMAGE_PNG_VALUE})
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    public void add(
            @AuthenticationPrincipal Person person,
            @PathVariable String batchId,
            @PathVariable String id,
            @RequestParam Subject subject,
            @RequestBody byte[] file) {
        person.require(Right.ACT);
        if (!id.matches(AN_ID)) {
            throw Refusal.of("id", "an id like 123e4567-e89b-42d3-a456-426614174000");
        }
        Darkroom.Print print = Darkroom.develop(file);
        mapper.holdBatch(batchId, person.kitchenId()).orElseThrow(() -> new NotFound("batch"));
        if (mapper.count(batchId) >= MOST_PHOTOS) {
            throw Refusal.outside(
                    "photo", "this batch has as many photos as a batch can have", 0, MOST_PHOTOS, "photos");
        }
        if (mapper.insert(id, person.kitchenId(), batchId, subject.name(), person.id(), clock.instant(), print) > 0) {
            changes.note(person.kitchenId(), "photos", batchId);
        }
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    public void remove(@AuthenticationPrincipal Person person, @PathVariable String batchId, @PathVariable String id) {
        person.require(Right.JUDGE);
        if (mapper.delete(id, batchId, person.kitchenId()) == 0) {
            throw new NotFound("photo");
        }
        changes.note(person.kitchenId(), "photos", batchId);
    }
}
