package potamos.server.photos;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.live.Changes;
import potamos.server.problems.NotFound;

/** Photos of what came with a box at the door: the supplier's slip. They are evidence and stay. */
@Service
class BoxPhotos {

    /** A slip has few pages. */
    private static final int MOST_PHOTOS = 4;

    private final BoxPhotoMapper mapper;
    private final Changes changes;
    private final KitchenClock clock;

    BoxPhotos(BoxPhotoMapper mapper, Changes changes, KitchenClock clock) {
        this.mapper = mapper;
        this.changes = changes;
        this.clock = clock;
    }

    List<BoxPhotoMapper.Row> of(Person person, String boxId) {
        person.require(Right.READ);
        mapper.ownBox(boxId, person.kitchenId()).orElseThrow(() -> new NotFound("box"));
        return mapper.of(boxId, person.kitchenId());
    }

    byte[] jpeg(Person person, String boxId, String id) {
        person.require(Right.READ);
        return mapper.jpeg(id, boxId, person.kitchenId())
                .orElseThrow(() -> new NotFound("photo"))
                .jpeg();
    }

    /** Keeps a photo that was developed; one that is sent twice with the same id is kept once. */
    @Transactional
    public void keep(Person person, String boxId, String id, Darkroom.Print print) {
        mapper.holdBox(boxId, person.kitchenId()).orElseThrow(() -> new NotFound("box"));
        if (mapper.count(boxId) >= MOST_PHOTOS) {
            throw Refusal.outside("photo", "this box has as many photos as a box can have", 0, MOST_PHOTOS, "photos");
        }
        if (mapper.insert(id, person.kitchenId(), boxId, person.id(), clock.instant(), print) > 0) {
            changes.note(person.kitchenId(), "larder", boxId);
        }
    }
}
