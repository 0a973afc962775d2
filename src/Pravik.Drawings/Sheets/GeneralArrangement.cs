using System.Text.RegularExpressions;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Drawings.Views;

namespace Pravik.Drawings.Sheets;

/// <summary>The general-arrangement sheet, A3: plan, elevation, typical section, notes and title block.</summary>
public static partial class GeneralArrangement
{
    private const double Width = 420;
    private const double Height = 297;
    private const double Margin = 10;
    private const double Text = 2.5;

    /// <summary>Lines of notes that supports may take.</summary>
    private const int NotesOnSupports = 4;

    /// <param name="geometry">The bridge.</param>
    /// <param name="ground">The ground, or null where none is given.</param>
    /// <param name="units">Units of the texts.</param>
    /// <param name="results">Results to name in the notes, or null where there are none.</param>
    /// <param name="date">Date of the sheet, as printed.</param>
    public static Drawing Draw(BridgeGeometry geometry, Ground? ground, UnitSystem units, BridgeResults? results, string date)
    {
        var canvas = new Canvas(Width, Height, Text);
        canvas.Box(0, 0, Width, Height, Fill.Sheet);
        canvas.Box(Margin, Margin, Width - 2 * Margin, Height - 2 * Margin, Fill.None, Pen.Cut);
        var inner = Width - 2 * Margin;
        var elevation = ElevationView.Draw(geometry, ground, units, new(inner, 62, Text));
        var plan = PlanView.Draw(geometry, units, new(inner, 104, Text));
        View(canvas, elevation, Margin, Margin + 7);
        View(canvas, plan, Margin, 83);
        var middle = (geometry.Axes[geometry.SpanCount / 2].Station + geometry.Axes[geometry.SpanCount / 2 + 1].Station) / 2;
        var section = SectionView.Draw(geometry, units, new(250, 90, Text), middle);
        View(canvas, section, Margin, Height - Margin - 91);
        Notes(canvas, geometry, ground, units, results, new(262, Height - Margin - 92));
        TitleBlock(canvas, geometry, date, [elevation, plan, section]);
        return canvas.Finish("General arrangement");
    }

    private static void View(Canvas canvas, Drawing view, double x, double y)
    {
        canvas.Place(view, x, y);
        canvas.Text(new(x + 5, y + 1), view.Title, TextKind.Strong, height: 3.2);
        canvas.Text(new(x + 5, y + 5), view.Note, TextKind.Soft);
    }

    private static void Notes(
        Canvas canvas,
        BridgeGeometry geometry,
        Ground? ground,
        UnitSystem units,
        BridgeResults? results,
        Core.Geometry.Point at
    )
    {
        var bridge = geometry.Bridge;
        var types = geometry.Sections.InUse.ToList();
        canvas.Text(at, "Notes", TextKind.Strong, height: 3.2);
        List<string> notes =
        [
            $"1  Stations, levels and dimensions in {units[QuantityKind.Length].Symbol}.",
            $"2  {Skews(geometry, units)}; dimensions along the road line.",
            $"3  Slab {bridge.Materials.Slab.Class}, {SlabThickness(geometry, units)}; girders " + $"{Girders(geometry, units)}.",
            types.All(t => t.Section.IsSteel)
                ? $"4  Bars {bridge.Materials.Reinforcement.Class}."
                : $"4  Strands {bridge.Materials.Strand.Type}, {Strands(geometry)}; bars {bridge.Materials.Reinforcement.Class}.",
            "5  Actions to EN 1991 with load model 1; values of the set "
                + $"“{bridge.Basis.NationalSet}”{(bridge.Basis.OwnValues.Count > 0 ? " with own values" : "")}.",
            $"6  {Checked(results)}",
        ];
        var supports = SupportNotes.Of(geometry, ground, units).ToList();
        notes.AddRange(supports.Take(NotesOnSupports).Select((line, i) => i == 0 ? $"7  {line}" : $"    {line}"));
        if (supports.Count > NotesOnSupports)
            notes[^1] = "    Other supports: see their own drawings.";
        for (var i = 0; i < notes.Count; i++)
            canvas.Text(new(at.X, at.Y + 5 + i * 4), Shorten(canvas, notes[i], TextKind.Plain, Width - Margin - 3 - at.X));
    }

    /// <summary>Material and depth of the girders, each once.</summary>
    private static string Girders(BridgeGeometry geometry, UnitSystem units) =>
        string.Join(
            "; ",
            geometry
                .Sections.InUse.Select(u =>
                    $"{(u.Section.IsSteel ? "of steel" : geometry.Sections.Types[u.Type].Concrete.Class)}, depth "
                    + units.FormatWithUnit(u.Section.Depth, QuantityKind.Size)
                )
                .Distinct()
        );

    private static string Strands(BridgeGeometry geometry)
    {
        var counts = geometry
            .Sections.InUse.Where(u => !u.Section.IsSteel)
            .Select(u => geometry.Sections.Types[u.Type].Strands.Rows.Sum(r => r.Count))
            .Distinct()
            .Order()
            .ToList();
        return counts.Count == 1 ? $"{counts[0]} in each girder" : $"{string.Join(" or ", counts)} in a girder";
    }

    /// <summary>What was checked, and what was not.</summary>
    private static string Checked(BridgeResults? results)
    {
        if (results?.Governing is null)
            return "Not checked at the time of issue.";
        var subjects = string.Join(", ", results.Checked);
        return results.Fails
            ? $"Not for construction: {subjects} fails in the calculation; all else not checked yet."
            : $"Checked in the calculation: {subjects}; all else not checked yet.";
    }

    /// <summary>The slab's thickness over the road line; from the least to the greatest where it differs.</summary>
    private static string SlabThickness(BridgeGeometry geometry, UnitSystem units)
    {
        var all = geometry.Units.SelectMany(u => u.Stations(8).Select(s => u.Shape.At(s).Thickness(0))).ToList();
        return all.Max() - all.Min() < 1e-6
            ? units.FormatWithUnit(all[0], QuantityKind.Size)
            : $"{units.Format(all.Min(), QuantityKind.Size)} to {units.FormatWithUnit(all.Max(), QuantityKind.Size)}";
    }

    /// <summary>The skew that most axes have, and the axes that have another.</summary>
    private static string Skews(BridgeGeometry geometry, UnitSystem units)
    {
        var skews = geometry
            .Axes.GroupBy(a => units.FormatWithUnit(a.Skew, QuantityKind.Angle))
            .OrderByDescending(g => g.Count())
            .Select(g => (Skew: g.Key, Axes: g.Select(a => a.Name).ToList()))
            .ToList();
        var others = skews.Skip(1).Select(s => $"{s.Skew} at {(s.Axes.Count > 1 ? "axes" : "axis")} {string.Join(", ", s.Axes)}");
        return skews.Count == 1 ? $"Skew {skews[0].Skew} at every axis" : $"Skew {skews[0].Skew}, but {string.Join("; ", others)}";
    }

    private static void TitleBlock(Canvas canvas, BridgeGeometry geometry, string date, IReadOnlyList<Drawing> views)
    {
        var titles = geometry.Titles;
        const double BlockWidth = 160,
            BlockHeight = 46;
        var (x, y) = (Width - Margin - BlockWidth, Height - Margin - BlockHeight);
        canvas.Box(x, y, BlockWidth, BlockHeight, Fill.Sheet, Pen.Cut);
        Cell(canvas, x, y, BlockWidth, "Project", titles.Project);
        Cell(canvas, x, y + 9, BlockWidth, "Client", titles.Client);
        canvas.Line(new(x, y + 18), new(x + BlockWidth, y + 18), Pen.Edge);
        canvas.Text(new(x + 3, y + 25), Shorten(canvas, geometry.Bridge.Name, TextKind.Title, BlockWidth - 6), TextKind.Title);
        canvas.Text(new(x + 3, y + 30.5), "General arrangement", TextKind.Plain, height: 3);
        var scales = views.GroupBy(v => ScaleOf(v)).Select(g => $"{g.Key} {string.Join(", ", g.Select(NameOf))}");
        canvas.Text(new(x + BlockWidth - 3, y + 30.5), string.Join("; ", scales), TextKind.Soft, Anchor.End);
        canvas.Line(new(x, y + 34), new(x + BlockWidth, y + 34), Pen.Edge);
        (string Name, string Value, double Width)[] cells =
        [
            ("Office", titles.Office, 52),
            ("Drawn", titles.Drawn, 24),
            ("Checked", titles.Checked, 24),
            ("Date", date, 22),
            ("Number", titles.Number, 26),
            ("Issue", titles.Issue, 12),
        ];
        foreach (var (name, value, width) in cells)
        {
            Cell(canvas, x, y + 35, width, name, value);
            if (x > Width - Margin - BlockWidth)
                canvas.Line(new(x, y + 34), new(x, y + BlockHeight), Pen.Edge);
            x += width;
        }
    }

    private static string ScaleOf(Drawing view) => Scale().Match(view.Note).Value;

    private static string NameOf(Drawing view) => view.Title.Split(' ')[0].ToLowerInvariant();

    [GeneratedRegex(@"1 : \d+")]
    private static partial Regex Scale();

    private static void Cell(Canvas canvas, double x, double y, double width, string name, string value)
    {
        canvas.Text(new(x + 3, y + 3.4), name, TextKind.Soft, height: 2);
        canvas.Text(new(x + 3, y + 7.6), Shorten(canvas, value, TextKind.Plain, width - 4));
    }

    private static string Shorten(Canvas canvas, string text, TextKind kind, double width)
    {
        var most = (int)(width / canvas.WidthOf("m", kind));
        return text.Length <= most ? text : text[..Math.Max(1, most - 1)] + "…";
    }
}
