package potamos.server.kitchen;

import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.heat.Burner;
import potamos.core.quantity.Refusal;
import potamos.server.Json;
import potamos.server.problems.NotFound;

/** The burners as they lie on the range, seen by the cook who stands before it. */
@Service
public class Hob {

    private static final int MOST_ROWS = 6;
    private static final int MOST_COLUMNS = 10;

    private final Rows rows;
    private final Json json;

    Hob(Rows rows, Json json) {
        this.rows = rows;
        this.json = json;
    }

    /** Rows of burners and where they lie. */
    @Mapper
    interface Rows {

        record Row(String id, String name, String figures, Integer hobRow, Integer hobColumn) {}

        @Select("""
                SELECT id, name, figures, hob_row, hob_column FROM burner
                WHERE kitchen_id = #{kitchenId} AND retired_at IS NULL ORDER BY position
                """)
        List<Row> all(String kitchenId);

        @Update("""
                UPDATE burner SET hob_row = #{row}, hob_column = #{column}
                WHERE id = #{id} AND kitchen_id = #{kitchenId} AND retired_at IS NULL
                """)
        int lay(String id, String kitchenId, int row, int column);
    }

    /**
     * A burner in its place.
     *
     * @param row    from 0 at the back
     * @param column from 0 at the left
     */
    public record Place(@NotNull String burnerId, @NotNull String name, double ratedKw, int row, int column) {}

    /** Where a burner is to lie. */
    public record Spot(String burnerId, int row, int column) {}

    private record Cell(int row, int column) {}

    /** Every burner once, each in a place of its own; those that nobody has placed fill two rows in the order they were entered. */
    public List<Place> of(String kitchenId) {
        List<Rows.Row> burners = rows.all(kitchenId);
        Set<Cell> taken = new HashSet<>();
        burners.stream().filter(b -> b.hobRow() != null).forEach(b -> taken.add(new Cell(b.hobRow(), b.hobColumn())));
        int columns = Math.max(1, (burners.size() + 1) / 2);
        List<Place> places = new ArrayList<>();
        int next = 0;
        for (Rows.Row burner : burners) {
            Cell cell;
            if (burner.hobRow() != null) {
                cell = new Cell(burner.hobRow(), burner.hobColumn());
            } else {
                do {
                    cell = new Cell(next / columns, next % columns);
                    next++;
                } while (!taken.add(cell));
            }
            double kw = json.read(burner.figures(), Burner.class).rated().watts() / 1000;
            places.add(new Place(burner.id(), burner.name(), kw, cell.row(), cell.column()));
        }
        return places;
    }

    /**
     * Lays the burners anew.
     *
     * @throws Refusal  on {@code places} when two would lie in one place, or one beyond 6 rows and 10 columns
     * @throws NotFound when one is not this kitchen's
     */
    @Transactional
    public void lay(String kitchenId, List<Spot> spots) {
        Set<Cell> taken = new HashSet<>();
        for (Spot spot : spots) {
            Refusal.unlessWithin("row", spot.row(), 0, MOST_ROWS - 1, "rows");
            Refusal.unlessWithin("column", spot.column(), 0, MOST_COLUMNS - 1, "columns");
            if (!taken.add(new Cell(spot.row(), spot.column()))) {
                throw Refusal.of("places", "two burners cannot lie in one place");
            }
            if (rows.lay(spot.burnerId(), kitchenId, spot.row(), spot.column()) == 0) {
                throw new NotFound("burner");
            }
        }
    }
}
