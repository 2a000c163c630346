package potamos.server.photos;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.server.accounts.Person;

/** Photos of a batch over HTTP. */
@RestController
@RequestMapping("/api/batches/{batchId}/photos")
class PhotoEndpoint {

    record PhotoView(
            @NotNull String id,
            @NotNull Photos.Subject subject,
            @NotNull String by,
            @NotNull String byName,
            @NotNull Instant at,
            int width,
            int height,
            Optional<WithdrawalView> withdrawn) {}

    /** Why a photo is in the record no more. */
    record WithdrawalView(
            @NotNull String byName,
            @NotNull Instant at,
            @NotNull String reason) {}

    record Withdrawing(@NotBlank @Size(max = 300) String reason) {}

    private final Photos photos;
    private final Darkroom darkroom;

    PhotoEndpoint(Photos photos, Darkroom darkroom) {
        this.photos = photos;
        this.darkroom = darkroom;
    }

    @Operation(summary = "Photos of a batch")
    @GetMapping
    List<PhotoView> all(@AuthenticationPrincipal Person person, @PathVariable String batchId) {
        return photos.of(person, batchId).stream()
                .map(row -> new PhotoView(
                        row.id(),
                        Photos.Subject.valueOf(row.subject()),
                        row.initials(),
                        row.takenByName(),
                        row.takenAt(),
                        row.width(),
                        row.height(),
                        Photos.withdrawal(row).map(w -> new WithdrawalView(w.byName(), w.at(), w.reason()))))
                .toList();
    }

    @Operation(summary = "A photo as it was kept")
    @GetMapping(path = "/{id}", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> one(
            @AuthenticationPrincipal Person person, @PathVariable String batchId, @PathVariable String id) {
        return asKept(id, photos.jpeg(person, batchId, id));
    }

    /** A photo never changes, so a screen need not fetch it again; but it asks each time, so whoever has signed out finds nothing kept. */
    static ResponseEntity<byte[]> asKept(String id, byte[] jpeg) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache().cachePrivate())
                .eTag(id)
                .body(jpeg);
    }

    /**
     * Takes a photo in: JPEG or PNG, up to 8 MB. Sent twice with the same id it is kept once. It is developed before anything is held in the database, for
     * that takes its time.
     */
    @Operation(summary = "Adds a photo to a batch")
    @PutMapping(
            path = "/{id}",
            consumes = {MediaType.IMAGE_JPEG_VALUE, MediaType.IMAGE_PNG_VALUE})
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void add(
            @AuthenticationPrincipal Person person,
            @PathVariable String batchId,
            @PathVariable String id,
            @RequestParam Photos.Subject subject,
            @RequestBody byte[] file) {
        Photos.check(person, id);
        photos.keep(person, batchId, id, subject, darkroom.develop(file));
    }

    /** Takes a photo out of the record, with a reason. It stays in the store. */
    @Operation(summary = "Takes a photo out of the record, with the reason")
    @PostMapping("/{id}/withdrawal")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(
            @AuthenticationPrincipal Person person,
            @PathVariable String batchId,
            @PathVariable String id,
            @Valid @RequestBody Withdrawing body) {
        photos.withdraw(person, batchId, id, body.reason());
    }
}
