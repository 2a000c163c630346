package potamos.server.photos;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.Ids;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.problems.NotFound;

/** Photos beside the record of a batch. */
@Service
public class Photos {

    private static final int MOST_PHOTOS = 40;
    private final PhotoMapper mapper;
    private final Changes changes;
    private final KitchenClock clock;

    private final Darkroom darkroom;

    Photos(PhotoMapper mapper, Changes changes, KitchenClock clock, Darkroom darkroom) {
        this.darkroom = darkroom;
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
        mapper.ownBatch(batchId, person.kitchenId()).orElseThrow(() -> new NotFound("batch"));
        return mapper.of(batchId, person.kitchenId());
    }

    /**
     * A photo as paper shows it. The picture is fetched when it is drawn, one after another: forty of them at once fill the memory.
     *
     * @param jpeg the picture at print size
     */
    public record Print(
            String subject,
            Instant at,
            String initials,
            int width,
            int height,
            Optional<Withdrawal> withdrawn,
            Supplier<byte[]> jpeg) {}

    /** Who took a photo out of the record, when, and why. */
    public record Withdrawal(String byName, Instant at, String reason) {}

    /** All photos of a batch, oldest first. */
    public List<Print> prints(Person person, String batchId) {
        return of(person, batchId).stream()
                .map(row -> new Print(
                        row.subject(),
                        row.takenAt(),
                        row.initials(),
                        row.width(),
                        row.height(),
                        withdrawal(row),
                        () -> darkroom.smaller(jpeg(person, batchId, row.id()))))
                .toList();
    }

    static Optional<Withdrawal> withdrawal(PhotoMapper.Row row) {
        return Optional.ofNullable(row.withdrawnAt())
                .map(at -> new Withdrawal(row.withdrawnByName(), at, row.withdrawnReason()));
    }

    byte[] jpeg(Person person, String batchId, String id) {
        person.require(Right.READ);
        return mapper.jpeg(id, batchId, person.kitchenId())
                .orElseThrow(() -> new NotFound("photo"))
                .jpeg();
    }

    /** Refuses what could not be kept, before anybody takes the trouble of developing it. */
    static void check(Person person, String id) {
        person.require(Right.ACT);
        if (!id.matches(Ids.PATTERN)) {
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

    /** Takes a photo out of the record: it is shown no more, and who did so and why stands in its place. */
    @Transactional
    public void withdraw(Person person, String batchId, String id, String reason) {
        person.require(Right.JUDGE);
        mapper.own(id, batchId, person.kitchenId()).orElseThrow(() -> new NotFound("photo"));
        if (mapper.withdraw(id, person.id(), clock.instant(), reason.trim()) == 0) {
            throw new Conflict("id", "This photo has been taken out of the record already.");
        }
        changes.note(person.kitchenId(), "photos", batchId);
    }
}
