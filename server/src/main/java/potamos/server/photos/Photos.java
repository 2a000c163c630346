package potamos.server.photos;

import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.live.Changes;
import potamos.server.problems.NotFound;

/** Photos beside the record of a batch. */
@Service
public class Photos {

    private static final int MOST_PHOTOS = 40;
    private static final String AN_ID = "[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}";

    private final PhotoMapper mapper;
    private final Changes changes;
    private final KitchenClock clock;

    Photos(PhotoMapper mapper, Changes changes, KitchenClock clock) {
        this.mapper = mapper;
        this.changes = changes;
        this.clock = clock;
    }

    /** What a photo is of. */
    enum Subject {
        SHADE,
        CLARITY,
        SET,
        OTHER
    }

    List<PhotoMapper.Row> of(Person person, String batchId) {
        person.require(Right.READ);
        return mapper.of(batchId, person.kitchenId());
    }

    /** A photo as paper shows it. */
    public record Print(String subject, Instant at, String initials, int width, int height, byte[] jpeg) {}

    /** All photos of a batch, oldest first. */
    public List<Print> prints(Person person, String batchId) {
        person.require(Right.READ);
        return mapper.prints(batchId, person.kitchenId());
    }

    byte[] jpeg(Person person, String batchId, String id) {
        person.require(Right.READ);
        return mapper.jpeg(id, batchId, person.kitchenId())
                .orElseThrow(() -> new NotFound("photo"))
                .jpeg();
    }

    /** Refuses what could not be kept, before anybody takes the trouble of developing it. */
    void check(Person person, String id) {
        person.require(Right.ACT);
        if (!id.matches(AN_ID)) {
            throw Refusal.of("id", "an id like 123e4567-e89b-42d3-a456-426614174000");
        }
    }

    /** Keeps a photo that was developed; one that is sent twice with the same id is kept once. */
    @Transactional
    public void keep(Person person, String batchId, String id, Subject subject, Darkroom.Print print) {
        mapper.holdBatch(batchId, person.kitchenId()).orElseThrow(() -> new NotFound("batch"));
        if (mapper.count(batchId) >= MOST_PHOTOS) {
            throw Refusal.outside(
                    "photo", "this batch has as many photos as a batch can have", 0, MOST_PHOTOS, "photos");
        }
        if (mapper.insert(id, person.kitchenId(), batchId, subject.name(), person.id(), clock.instant(), print) > 0) {
            changes.note(person.kitchenId(), "photos", batchId);
        }
    }

    @Transactional
    public void remove(Person person, String batchId, String id) {
        person.require(Right.JUDGE);
        if (mapper.delete(id, batchId, person.kitchenId()) == 0) {
            throw new NotFound("photo");
        }
        changes.note(person.kitchenId(), "photos", batchId);
    }
}
