package potamos.server.formulas;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Rows of formulas. */
@Mapper
interface FormulaMapper {

    record FormulaRow(String kitchenId, String slug, int version, String name, String family, String formula) {}

    @Insert("""
            INSERT INTO formula (kitchen_id, slug, version, name, family, formula)
            VALUES (#{kitchenId}, #{slug}, #{version}, #{name}, #{family}, #{formula})
            """)
    void insert(FormulaRow row);

    @Select("""
            SELECT f.kitchen_id, f.slug, f.version, f.name, f.family, f.formula
            FROM formula f
            WHERE f.kitchen_id = #{kitchenId}
              AND f.version = (SELECT MAX(v.version) FROM formula v WHERE v.kitchen_id = f.kitchen_id AND v.slug = f.slug)
            ORDER BY f.family, f.name
            """)
    List<FormulaRow> latest(String kitchenId);

    @Select("""
            SELECT kitchen_id, slug, version, name, family, formula
            FROM formula
            WHERE kitchen_id = #{kitchenId} AND slug = #{slug}
            ORDER BY version DESC LIMIT 1
            """)
    Optional<FormulaRow> bySlug(String kitchenId, String slug);
}
