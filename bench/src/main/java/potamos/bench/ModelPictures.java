package potamos.bench;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Rectangle;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import org.jfree.chart.ChartFactory;
import org.jfree.chart.JFreeChart;
import org.jfree.chart.plot.XYPlot;
import org.jfree.chart.renderer.xy.XYLineAndShapeRenderer;
import org.jfree.data.xy.XYSeries;
import org.jfree.data.xy.XYSeriesCollection;
import org.jfree.svg.SVGGraphics2D;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.Medium;
import potamos.core.flow.Forecast;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;
import potamos.core.heat.Browning;
import potamos.core.heat.Cover;
import potamos.core.heat.PotHeat;
import potamos.core.heat.Water;
import potamos.core.liquor.Clarity;
import potamos.core.liquor.Diffusion;
import potamos.core.liquor.Gelatin;
import potamos.core.liquor.Salt;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;

/** Draws how each model behaves, from the core itself, for docs/models.md. */
public final class ModelPictures {

    private static final int WIDTH = 640;
    private static final int HEIGHT = 340;
    private static final Color INK = new Color(0x12262B);
    private static final Color[] LINES = {
        new Color(0x0B6470), new Color(0xB8431A), new Color(0x2A6FA3), new Color(0x8A5A00), new Color(0x4C6167)
    };

    private final Path folder;

    private ModelPictures(Path folder) {
        this.folder = folder;
    }

    /** @param args the folder to write into */
    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args[0]);
        Files.createDirectories(folder);
        ModelPictures pictures = new ModelPictures(folder);
        pictures.heat();
        pictures.vessel();
        pictures.simmer();
        pictures.liquor();
        pictures.cooling();
    }

    private void heat() throws IOException {
        draw(
                "boiling",
                "Boiling point",
                "height above the sea, m",
                "°C",
                line(
                        "water",
                        0,
                        4000,
                        50,
                        z -> Water.boilingPoint(Length.ofCm(z * 100)).celsius()));
        draw(
                "evaporation",
                "Steam from a 40 cm surface, 26 °C air at 60 %, κ 1",
                "liquor, °C",
                "L/h",
                steam("open, still air", Cover.OPEN, 0.1),
                steam("open, hood on", Cover.OPEN, 0.3),
                steam("paper lid", Cover.PAPER_LID, 0.1),
                steam("lid on", Cover.LID_ON, 0.1));
        draw(
                "browning",
                "Time to shade 5.5 in one layer",
                "oven, °C",
                "min",
                line("still oven", 110, 240, 2, t -> Browning.minutesTo(5.5, c(t), 1, 1)),
                line("convection", 110, 240, 2, t -> Browning.minutesTo(5.5, c(t), 1, Browning.CONVECTION)),
                line("crowded tray, still", 110, 240, 2, t -> Browning.minutesTo(5.5, c(t), 1.6, 1)));
    }

    private static XYSeries steam(String name, Cover cover, double speed) {
        double m2 = Math.PI * 0.2 * 0.2;
        return line(
                name,
                60,
                99.5,
                0.25,
                t -> m2
                        * new PotHeat(
                                        Samples.cylinder(40, 40),
                                        0,
                                        Volume.ZERO,
                                        new potamos.core.heat.Air(Length.ZERO, c(26), 0.6, speed),
                                        cover,
                                        1)
                                .steamLPerM2H(c(t)));
    }

    private void vessel() throws IOException {
        Shape kettle = new Shape.Kettle(Length.ofCm(55), Length.ofCm(39.5), Length.ofCm(12));
        Shape tall = new Shape.Cylinder(Length.ofCm(36), Length.ofCm(40));
        Shape pan = new Shape.Pan(Length.ofCm(53), Length.ofCm(32.5), Length.ofCm(20));
        draw(
                "vessel",
                "Volume and level",
                "level above the bottom, cm",
                "L",
                line("kettle 55 cm with a 12 cm bowl", 0, 39, 0.5, h -> litres(kettle, h)),
                line("pot 36 × 40 cm", 0, 40, 0.5, h -> litres(tall, h)),
                line("pan 53 × 32.5 cm", 0, 20, 0.5, h -> litres(pan, h)));
    }

    private static double litres(Shape shape, double cm) {
        return shape.volumeAt(Length.ofCm(cm)).litres();
    }

    private void simmer() throws IOException {
        Formula chicken = Book.whiteChicken();
        draw(
                "simmer",
                "White chicken, 15 L out of a 36 cm pot: liquor and solids",
                "minutes since lighting the burner",
                "L",
                course("level held", chicken),
                course(
                        "left to go down",
                        chicken.withProcedure(chicken.procedure().stream()
                                .map(p -> p instanceof PotPhase.Simmer s
                                        ? new PotPhase.Simmer(
                                                s.band(),
                                                s.usual(),
                                                s.least(),
                                                s.most(),
                                                s.cover(),
                                                PotPhase.TopUp.none(),
                                                s.skim())
                                        : p)
                                .toList())));
        XYSeries low = new XYSeries("one in ten below");
        XYSeries mid = new XYSeries("expected");
        XYSeries high = new XYSeries("one in ten above");
        for (double kg = 2; kg <= 14; kg += 0.5) {
            Forecast forecast =
                    Samples.charge(Samples.cylinder(36, 40), Samples.bones(kg)).forecast();
            low.add(kg, forecast.yield().low());
            mid.add(kg, forecast.yield().mid());
            high.add(kg, forecast.yield().high());
        }
        draw("yield", "White chicken in a 36 cm pot: litres out", "bones, kg", "L", mid, low, high);
    }

    private static XYSeries course(String name, Formula formula) {
        Charge charge = ChargeSolver.solve(formula, Samples.pot(Samples.cylinder(36, 40)), Samples.litres(15));
        XYSeries series = new XYSeries(name);
        charge.forecast().course().forEach(p -> series.add(p.minute(), p.contentsL()));
        return series;
    }

    private void liquor() throws IOException {
        draw(
                "gelatin",
                "Gelatin from 1 kg of bones",
                "hours",
                "g",
                line(
                        "veal at 93 °C",
                        0,
                        48,
                        0.25,
                        h -> Gelatin.of(55).after(3.2, c(93), h).grams()),
                line(
                        "veal at 86 °C",
                        0,
                        48,
                        0.25,
                        h -> Gelatin.of(55).after(3.2, c(86), h).grams()),
                line(
                        "beef knuckle at 93 °C",
                        0,
                        48,
                        0.25,
                        h -> Gelatin.of(48).after(5, c(93), h).grams()),
                line(
                        "chicken carcass at 93 °C",
                        0,
                        48,
                        0.25,
                        h -> Gelatin.of(28).after(1.6, c(93), h).grams()));
        draw(
                "diffusion",
                "Share of the flavour that has left, 93 °C",
                "minutes",
                "share",
                line("4 mm", 1, 480, 2, m -> Diffusion.spent(Diffusion.Cut.AS_CUT, 4, c(93), m)),
                line("8 mm", 1, 480, 2, m -> Diffusion.spent(Diffusion.Cut.AS_CUT, 8, c(93), m)),
                line("15 mm", 1, 480, 2, m -> Diffusion.spent(Diffusion.Cut.AS_CUT, 15, c(93), m)),
                line("30 mm", 1, 480, 2, m -> Diffusion.spent(Diffusion.Cut.AS_CUT, 30, c(93), m)));
        draw(
                "clarity",
                "Clarity index by one cause alone",
                "minutes boiled, or g of scum in 10 L",
                "of 100",
                line("boiled", 0, 60, 1, m -> clarity(0, m)),
                line("scum left", 0, 60, 1, g -> clarity(g / 10, 0)));
        draw(
                "salt",
                "Salt through a reduction",
                "fraction of the volume left",
                "g/L",
                line("2 g/L at first", 0.1, 1, 0.01, f -> Salt.of(2, 1, f).afterGPerL()),
                line("1 g/L at first", 0.1, 1, 0.01, f -> Salt.of(1, 1, f).afterGPerL()),
                line("warned above", 0.1, 1, 0.01, f -> Salt.WARN_G_PER_L));
    }

    private static double clarity(double scumGPerL, double boiledMin) {
        return Clarity.of(new Clarity.Handling(scumGPerL, boiledMin, 0, 0, false, 2, false, 0))
                .index();
    }

    private void cooling() throws IOException {
        draw(
                "cooling",
                "20 L that set, from 90 °C, at their core",
                "minutes",
                "°C",
                cooled("two 10 L bains, stirred ice bath", 2, bath(32, true)),
                cooled("two 10 L bains, still ice bath", 2, bath(32, false)),
                cooled("two 10 L bains, blast air −5 °C", 2, new Medium.Blast("", c(-5))),
                cooled("two 10 L bains, cold store 3 °C", 2, new Medium.ColdStore(c(3))),
                cooled("two 10 L bains, 5 kg ice paddle", 2, new Medium.IcePaddle(Mass.ofKg(5), c(22))));
    }

    private static Medium bath(double iceKg, boolean stirred) {
        return new Medium.IceBath(Mass.ofKg(iceKg), Mass.ofKg(30), c(12), stirred);
    }

    private static XYSeries cooled(String name, int count, Medium medium) {
        CoolingCurve curve = Cooler.curve(new CoolingPlan(
                Volume.ofLitres(20), c(90), Samples.bain(), count, List.of(new CoolingPlan.Leg(medium, c(5))), true));
        XYSeries series = new XYSeries(name);
        curve.points().stream()
                .filter(p -> p.minute() <= Duration.ofHours(6).toMinutes())
                .forEach(p -> series.addOrUpdate(p.minute(), p.coreC()));
        return series;
    }

    private static Temperature c(double celsius) {
        return Temperature.ofCelsius(celsius);
    }

    private static XYSeries line(String name, double from, double to, double step, DoubleUnaryOperator f) {
        XYSeries series = new XYSeries(name);
        int steps = (int) Math.round((to - from) / step);
        for (int i = 0; i <= steps; i++) {
            double x = Math.min(to, from + i * step);
            series.add(x, f.applyAsDouble(x));
        }
        return series;
    }

    private void draw(String file, String title, String x, String y, XYSeries... lines) throws IOException {
        XYSeriesCollection data = new XYSeriesCollection();
        for (XYSeries series : lines) {
            data.addSeries(series);
        }
        JFreeChart chart = ChartFactory.createXYLineChart(title, x, y, data);
        Font plain = new Font(Font.SANS_SERIF, Font.PLAIN, 13);
        chart.setBackgroundPaint(Color.WHITE);
        chart.getTitle().setFont(new Font(Font.SANS_SERIF, Font.BOLD, 15));
        chart.getTitle().setPaint(INK);
        chart.getLegend().setItemFont(plain);
        chart.getLegend().setFrame(org.jfree.chart.block.BlockBorder.NONE);
        XYPlot plot = chart.getXYPlot();
        plot.setBackgroundPaint(new Color(0xF4F7F6));
        plot.setDomainGridlinePaint(new Color(0xC9D5D3));
        plot.setRangeGridlinePaint(new Color(0xC9D5D3));
        plot.setOutlineVisible(false);
        plot.getDomainAxis().setLabelFont(plain);
        plot.getRangeAxis().setLabelFont(plain);
        ((XYLineAndShapeRenderer) plot.getRenderer()).setDrawSeriesLineAsPath(true);
        for (int i = 0; i < lines.length; i++) {
            plot.getRenderer().setSeriesPaint(i, LINES[i % LINES.length]);
            plot.getRenderer().setSeriesStroke(i, new BasicStroke(2.2f));
        }
        SVGGraphics2D svg = new SVGGraphics2D(WIDTH, HEIGHT);
        // The same picture is the same file, so that redrawing changes nothing that did not change.
        svg.setDefsKeyPrefix(file);
        chart.draw(svg, new Rectangle(WIDTH, HEIGHT));
        Files.writeString(folder.resolve(file + ".svg"), svg.getSVGElement() + "\n");
    }
}
