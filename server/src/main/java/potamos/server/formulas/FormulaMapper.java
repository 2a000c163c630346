package potamos.server.formulas;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Rows of formulas. A version is written once and never changed. */
@Mapper
interface FormulaMapper {

    record FormulaRow(
            String kitchenId,
            String slug,
            int version,
            String name,
            String family,
            String formula,
            String savedBy,
            Instant savedAt,
            String note) {}

    /** A version without the formula itself; {@code savedByName} is null for the book's own. */
    record VersionRow(int version, String name, Instant savedAt, String savedByName, String note) {}

    @Insert("""
            INSERT INTO formula (kitchen_id, slug, version, name, family, formula, saved_by, saved_at, note)
            VALUES (#{kitchenId}, #{slug}, #{version}, #{name}, #{family}, #{formula}, #{savedBy}, #{savedAt}, #{note})
            """)
    void insert(FormulaRow row);

    @Select("""
            SELECT f.kitchen_id, f.slug, f.version, f.name, f.family, f.formula, f.saved_by, f.saved_at, f.note
            FROM formula f
            WHERE f.kitchen_id = #{kitchenId}
              AND f.version = (SELECT MAX(v.version) FROM formula v WHERE v.kitchen_id = f.kitchen_id AND v.slug = f.slug)
            ORDER BY f.family, f.name
            """)
    List<FormulaRow> latest(String kitchenId);

    @Select("SELECT slug FROM formula_retired WHERE kitchen_id = #{kitchenId}")
    List<String> retired(String kitchenId);

    @Select("""
            SELECT kitchen_id, slug, version, name, family, formula, saved_by, saved_at, note
            FROM formula
            WHERE kitchen_id = #{kitchenId} AND slug = #{slug}
            ORDER BY version DESC LIMIT 1
            """)
    Optional<FormulaRow> bySlug(String kitchenId, String slug);

    @Select("""
            SELECT kitchen_id, slug, version, name, family, formula, saved_by, saved_at, note
            FROM formula
            WHERE kitchen_id = #{kitchenId} AND slug = #{slug} AND version = #{version}
            """)
    Optional<FormulaRow> version(String kitchenId, String slug, int version);

    @Select("""
            SELECT f.version, f.name, f.saved_at, a.name AS saved_by_name, f.note
            FROM formula f LEFT JOIN account a ON a.id = f.saved_by
            WHERE f.kitchen_id = #{kitchenId} AND f.slug = #{slug}
            ORDER BY f.version DESC
            """)
    List<VersionRow> versions(String kitchenId, String slug);

    @Insert("INSERT IGNORE INTO formula_retired (kitchen_id, slug, retired_at) VALUES (#{kitchenId}, #{slug}, #{at})")
    void retire(String kitchenId, String slug, Instant at);

    @Delete("DELETE FROM formula_retired WHERE kitchen_id = #{kitchenId} AND slug = #{slug}")
    void unretire(String kitchenId, String slug);
}
