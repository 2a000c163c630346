package potamos.server.photos;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.server.accounts.Person;

/** Photos of the slip that came with a box, over HTTP. */
@RestController
@RequestMapping("/api/larder/boxes/{boxId}/photos")
class BoxPhotoEndpoint {

    record BoxPhotoView(
            @NotNull String id,
            @NotNull String byName,
            @NotNull Instant at,
            int width,
            int height) {}

    private final BoxPhotos photos;
    private final Darkroom darkroom;

    BoxPhotoEndpoint(BoxPhotos photos, Darkroom darkroom) {
        this.photos = photos;
        this.darkroom = darkroom;
    }

    @Operation(summary = "Photos of the slip that came with a box")
    @GetMapping
    List<BoxPhotoView> all(@AuthenticationPrincipal Person person, @PathVariable String boxId) {
        return photos.of(person, boxId).stream()
                .map(row -> new BoxPhotoView(row.id(), row.takenBy(), row.takenAt(), row.width(), row.height()))
                .toList();
    }

    @Operation(summary = "A photo of a slip as it was kept")
    @GetMapping(path = "/{id}", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> one(
            @AuthenticationPrincipal Person person, @PathVariable String boxId, @PathVariable String id) {
        return PhotoEndpoint.asKept(id, photos.jpeg(person, boxId, id));
    }

    /** Takes a photo in: JPEG or PNG, up to 8 MB, up to four for a box. Sent twice with the same id it is kept once. */
    @Operation(summary = "Adds a photo of its slip to a box")
    @PutMapping(
            path = "/{id}",
            consumes = {MediaType.IMAGE_JPEG_VALUE, MediaType.IMAGE_PNG_VALUE})
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void add(
            @AuthenticationPrincipal Person person,
            @PathVariable String boxId,
            @PathVariable String id,
            @RequestBody byte[] file) {
        Photos.check(person, id);
        photos.keep(person, boxId, id, darkroom.develop(file));
    }
}
