using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>
/// Design stress-strain lines of the materials in use, each in a panel of its own: compression of concrete, tension of steel.
/// </summary>
public sealed class MaterialView
{
    private const int Pieces = 60;
    private const int MostGirders = 3;
    private readonly Canvas canvas;
    private readonly UnitSystem units;

    private MaterialView(UnitSystem units, ViewSize size) => (this.units, canvas) = (units, new(size.Width, size.Height, size.TextHeight));

    /// <summary>Draws the stress-strain lines of the materials.</summary>
    public static Drawing Draw(Bridge bridge, UnitSystem units, ViewSize size)
    {
        var view = new MaterialView(units, size);
        var (values, materials) = (bridge.Basis.Values, bridge.Materials);
        var (gammaC, gammaS, alpha) = (values["gammaC"], values["gammaS"], values["alphaCc"]);
        var slab = Concrete.Of(materials.Slab);
        var girders = bridge.Girders.Types.Select(t => Concrete.Of(t.Concrete)).DistinctBy(c => c.Class).Take(MostGirders);
        var (strand, bars) = (PrestressingSteel.Of(materials.Strand), ReinforcingSteel.Of(materials.Reinforcement));
        List<(string Name, string Law, Func<double, double> Stress, double Last, (double Strain, string Name)[] Marks)> panels =
        [
            .. girders.Select(c => Pressed($"Girders, {c.Class}", c)),
            Pressed($"Slab, {slab.Class}", slab),
            (
                $"Strand, {strand.Type}",
                !strand.Line.IsEmpty
                    ? "own line / γS"
                    : $"{(strand.Branch == Branch.Rising ? "rising" : "level")} branch, EN 1992-1-1 3.3.6(7)",
                e => strand.Stress(e, gammaS),
                double.IsFinite(strand.Limit) ? strand.Limit : PrestressingSteel.StrainLimit,
                !strand.Line.IsEmpty ? [(strand.Limit, "end")]
                : strand.Branch == Branch.Rising ? [(strand.Fp01k / gammaS / strand.Ep, "f pd"), (strand.Limit, "ε ud")]
                : [(strand.Fp01k / gammaS / strand.Ep, "f pd")]
            ),
            (
                $"Bars, {bars.Class}",
                !bars.Line.IsEmpty ? "own line / γS"
                : bars.Branch == Branch.Rising ? "rising branch, EN 1992-1-1 3.2.7(2)a"
                : "level branch, EN 1992-1-1 3.2.7(2)b",
                e => bars.Stress(e, gammaS),
                double.IsFinite(bars.StrainLimit) ? bars.StrainLimit : 0.01,
                !bars.Line.IsEmpty ? [(bars.StrainLimit, "end")]
                : bars.Branch == Branch.Rising ? [(bars.Fyk / gammaS / bars.Es, "f yd"), (bars.StrainLimit, "ε ud")]
                : [(bars.Fyk / gammaS / bars.Es, "f yd")]
            ),
        ];
        (string, string, Func<double, double>, double, (double, string)[]) Pressed(string name, Concrete concrete) =>
            (
                name,
                concrete.Line.IsEmpty ? "parabola and rectangle, EN 1992-1-1 3.1.7(1)" : "own line, times αcc/γC",
                e => concrete.Stress(e, concrete.DesignStrength(alpha, gammaC)),
                concrete.EpsilonCu2,
                concrete.Line.IsEmpty
                    ? [(concrete.EpsilonC2, "ε c2, f cd"), (concrete.EpsilonCu2, "ε cu2")]
                    : [(concrete.EpsilonCu2, "ε cu")]
            );
        var columns = panels.Count > 4 ? 3 : 2;
        var (wide, high) = (size.Width / columns, size.Height / 2);
        for (var i = 0; i < panels.Count; i++)
            view.Panel(
                panels[i].Name,
                panels[i].Law,
                panels[i].Stress,
                panels[i].Last,
                panels[i].Marks,
                new(i % columns * wide, i / columns * high),
                wide,
                high
            );
        return view.canvas.Finish(
            "Materials",
            $"design values with γC {QuantityText.Fixed(gammaC, 2)}, γS {QuantityText.Fixed(gammaS, 2)}, αcc "
                + $"{QuantityText.Fixed(alpha, 2)}; strain in ‰, stress in {units[QuantityKind.Stress].Symbol}"
        );
    }

    private void Panel(
        string name,
        string law,
        Func<double, double> stress,
        double last,
        (double Strain, string Name)[] marks,
        Point corner,
        double wide,
        double high
    )
    {
        var text = canvas.TextHeight;
        var (left, right, top, bottom) = (corner.X + 20, corner.X + wide - 16, corner.Y + 4.2 * text, corner.Y + high - 3.4 * text);
        var (reach, most) = (1.08 * last, 1.15 * Enumerable.Range(0, Pieces + 1).Max(i => stress(last * i / Pieces)));
        Point At(double strain, double sigma) => new(left + strain / reach * (right - left), bottom - sigma / most * (bottom - top));
        canvas.Text(new(left, corner.Y + 1.6 * text), name, TextKind.Strong);
        canvas.Text(new(left, corner.Y + 2.9 * text), law, TextKind.Soft);
        canvas.Line(At(0, 0), At(reach, 0), Pen.Edge);
        canvas.Line(At(0, 0), At(0, most), Pen.Edge);
        // The beginning of the line may have a corner between equal steps: where a mark stands, a point stands.
        var strains = Enumerable
            .Range(0, Pieces + 1)
            .Select(i => last * i / Pieces)
            .Concat(marks.Select(m => m.Strain))
            .Where(e => e <= last + 1e-12)
            .Distinct()
            .Order()
            .ToList();
        canvas.Path(strains.Select(e => At(e, stress(e))), Pen.Active);
        foreach (var (strain, words) in marks)
        {
            var sigma = stress(strain);
            canvas.Line(At(strain, 0), At(strain, sigma), Pen.Grid);
            canvas.Line(At(0, sigma), At(strain, sigma), Pen.Grid);
            canvas.Circle(At(strain, sigma), 0.6, Pen.Edge, Fill.Sheet);
            canvas.Text(At(strain, sigma) + new Point(0, -0.7 * text), words, TextKind.Soft, Anchor.Middle, true);
            canvas.Text(At(strain, 0) + new Point(0, 1.3 * text), QuantityText.Fixed(1000 * strain, 2), TextKind.Number, Anchor.Middle);
        }
        foreach (var sigma in marks.Select(m => stress(m.Strain)).Distinct().OrderDescending().Take(1))
            canvas.Text(At(0, sigma) + new Point(-1.5, 0.35 * text), units.Format(sigma, QuantityKind.Stress), TextKind.Number, Anchor.End);
    }
}
