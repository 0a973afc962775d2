using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Entries;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Stages;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Exchange.Tables;
using Pravik.Web.Runs;

namespace Pravik.Web.Workspaces;

/// <summary>A quantity along girders: its words, unit, sense, and the effect that it shows.</summary>
internal sealed record Quantity(string Id, string Words, QuantityKind Kind, bool PositiveDown, GirderEffect Effect)
{
    public static ImmutableArray<Quantity> All { get; } =
    [
        new("M", "Bending moment", QuantityKind.Moment, true, GirderEffect.M),
        new("V", "Shear", QuantityKind.Force, false, GirderEffect.V),
        new("T", "Torsion", QuantityKind.Moment, false, GirderEffect.T),
        new("N", "Axial force", QuantityKind.Force, false, GirderEffect.N),
        new("Mz", "Moment across", QuantityKind.Moment, false, GirderEffect.Mz),
        new("Vy", "Shear across", QuantityKind.Force, false, GirderEffect.Vy),
        new("w", "Deflection, up", QuantityKind.Size, false, GirderEffect.Deflection),
        new("bottom", "Stress at the soffit", QuantityKind.Stress, false, GirderEffect.Bottom),
        new("girderTop", "Stress at the girder's top", QuantityKind.Stress, false, GirderEffect.GirderTop),
        new("slabTop", "Stress at the slab's top", QuantityKind.Stress, false, GirderEffect.SlabTop),
    ];

    public double Of(EffectRange range, bool greatest, int point) => range.Side(greatest)[point, Effect];

    public static Quantity Named(string? id) => All.FirstOrDefault(q => q.Id == id) ?? All[0];
}

/// <summary>Diagrams, drawings and tables of a model's results.</summary>
internal sealed class ModelViews
{
    private readonly BridgeGeometry geometry;
    private readonly ModelResults results;
    private readonly UnitSystem units;
    private readonly WorkspaceRequest request;
    private readonly BridgeEffects ranges;
    private readonly BridgeEffects? others;
    private readonly string otherName;

    /// <param name="geometry">The bridge.</param>
    /// <param name="analysed">Its results.</param>
    /// <param name="other">Results to lay under them, with words for what they are.</param>
    /// <param name="units">Units shown.</param>
    /// <param name="request">What the screen asks for.</param>
    public ModelViews(
        BridgeGeometry geometry,
        BridgeResults analysed,
        (BridgeResults Results, string Name)? other,
        UnitSystem units,
        WorkspaceRequest request
    )
    {
        (this.geometry, results, this.units, this.request) = (geometry, analysed.Model, units, request);
        ranges = analysed.Effects;
        others = other is { } o && o.Results.Points.Length == results.Points.Length ? o.Results.Effects : null;
        otherName = other?.Name ?? "";
    }

    public BridgeEffects Ranges => ranges;

    public ModelResults Results => results;

    private Quantity Shown => Quantity.Named(request.Quantity);

    private EffectRange Range => ranges.Find(new(request.Show)) ?? ranges.Find(CaseId.Ultimate)!;

    /// <summary>Girders (from 0) that are shown.</summary>
    private IReadOnlyList<int> Girders =>
        NumberList.Read(request.Girders, geometry.Girders.Length) is { Count: > 0 } some
            ? [.. some.Select(n => n - 1)]
            : [.. Enumerable.Range(0, geometry.Girders.Length)];

    public IReadOnlyList<SheetControl> Controls(string layout)
    {
        List<Choice> shown = [.. ranges.All.Select(r => new Choice(r.Id.Value, r.Name) { Group = r.Group })];
        List<Choice> single =
        [
            .. ranges
                .All.Where(r => ShownState.Of(results, r.Id) is not null)
                .Select(r => new Choice(r.Id.Value, r.Name) { Group = r.Group }),
        ];
        SheetControl Zoom(string name) => new("zoom", name, $"{request.Zoom:0.##}", []) { Least = 0.25, Greatest = 8 };
        return layout switch
        {
            "results" =>
            [
                new("show", "Shown", Range.Id.Value, shown),
                new("quantity", "Effect", Shown.Id, [.. Quantity.All.Select(q => new Choice(q.Id, q.Words))]),
                new("girders", "Girders", request.Girders, []) { IsText = true, Help = "Numbers of girders, as in 1, 3-4, or all." },
                new("arrange", "Drawn", request.Arrange, [new("over", "over each other"), new("under", "under each other")]),
                new("fixed", "Scale", request.Fixed, [new("own", "of this case"), new("same", "the same for all cases")]),
                Zoom("Larger"),
                new(
                    "table",
                    "Table",
                    request.Table,
                    [
                        new("girders", "Girders"),
                        new("reactions", "Reactions"),
                        new("members", "Cross members and piers"),
                        .. results.Layout.Slab.IsEmpty ? Array.Empty<Choice>() : [new Choice("slab", "Places of the slab")],
                        new("none", "None"),
                    ]
                ),
            ],
            "deflected" =>
            [
                new("show", "Shown", ShapeId.Value, single),
                new(
                    "drawn",
                    "Drawn",
                    request.Drawn,
                    [
                        new("deflection", "Deflection"),
                        new("M", "Moments on members"),
                        new("V", "Shears on members"),
                        new("N", "Axial forces on members"),
                        new("T", "Torsion on members"),
                        .. results.Finished.Shells.IsEmpty ? Array.Empty<Choice>() : [.. Contours],
                    ]
                ),
                Looks,
                new("motion", "Motion", request.Motion, [new("still", "still"), new("moving", "moving")]),
                Zoom("Larger"),
            ],
            "frame" =>
            [
                Looks,
                Zoom("Nearer"),
                new(
                    "names",
                    "Written",
                    request.Names,
                    [
                        new("none", "nothing"),
                        new("joints", "joints"),
                        new("members", "members"),
                        new("sections", "sections"),
                        new("axes", "local axes"),
                    ]
                ),
                new(
                    "load",
                    "Loads of",
                    results.Find(new(request.Load)) is null ? "" : request.Load,
                    [
                        new("", "no case"),
                        .. results
                            .Cases.Where(c => c.Model == results.FinishedModel || c.Stage is not null)
                            .Select(c => new Choice(c.Id.Value, c.Name)),
                    ]
                ),
            ],
            _ => [],
        };
    }

    private SheetControl Looks =>
        new("look", "Seen", request.Look, [new("space", "in space"), new("plan", "from above"), new("side", "from the side")]);

    private static IEnumerable<Choice> Contours =>
        [
            new("mAlong", "Slab moments along"),
            new("mAcross", "Slab moments across"),
            new("mTwist", "Slab twisting moments"),
            new("nAlong", "Slab forces along"),
            new("nAcross", "Slab forces across"),
        ];

    private CaseId ShapeId => ShownState.Of(results, new(request.Show)) is null ? CaseId.Permanent : new(request.Show);

    // Diagrams

    public IReadOnlyList<Diagram> Diagrams()
    {
        var (range, quantity) = (Range, Shown);
        (double, double)? scale = request.Fixed == "same" ? Widest(quantity) : null;
        var under = request.Arrange == "under" && Girders.Count > 1;
        Diagram Of(IReadOnlyList<int> girders, string name)
        {
            // Of many girders only the one with the greatest value is labelled at its peaks.
            var worst = girders.MaxBy(g =>
                Places(g).Max(i => Math.Max(Math.Abs(quantity.Of(range, true, i)), Math.Abs(quantity.Of(range, false, i))))
            );
            var series = girders
                .SelectMany(
                    (g, n) =>
                        Lines(range, quantity, g, girders.Count == 1 ? Pen.Active : Pens[n % Pens.Length], girders.Count > 1, g == worst)
                )
                .ToImmutableArray();
            return new(name, quantity.Kind, quantity.PositiveDown, series, DiagramAxes.Of(geometry, girders[0]))
            {
                Range = scale,
                Zoom = request.Zoom,
                Envelope = girders.Count == 1 && !range.IsSingle ? (0, 1) : null,
            };
        }
        return under
            ? [.. Girders.Select(g => Of([g], $"{geometry.Girders[g].Name}, {quantity.Words.ToLowerInvariant()}"))]
            :
            [
                Of(
                    Girders,
                    Girders.Count == 1 ? $"{geometry.Girders[Girders[0]].Name}, {quantity.Words.ToLowerInvariant()}" : quantity.Words
                ),
            ];
    }

    private static readonly Pen[] Pens = [Pen.Active, Pen.Load, Pen.Cut, Pen.Resistance, Pen.Hidden, Pen.Axis, Pen.Edge];

    private IEnumerable<Series> Lines(EffectRange range, Quantity quantity, int girder, Pen pen, bool many, bool peaks)
    {
        var name =
            many ? geometry.Girders[girder].Name
            : range.IsSingle ? quantity.Words
            : "greatest and least";
        yield return Line(range, true, name, pen, peaks);
        if (!range.IsSingle)
            yield return Line(range, false, name, pen, peaks);
        if (others?.Find(range.Id) is not { } before)
            yield break;
        yield return Line(before, true, otherName, Pen.Former, false);
        if (!before.IsSingle)
            yield return Line(before, false, otherName, Pen.Former, false);

        Series Line(EffectRange of, bool greatest, string words, Pen with, bool labelled) =>
            new(words, [.. Places(girder).Select(i => (results.Points[i].Station, quantity.Of(of, greatest, i)))], with)
            {
                Peaks = labelled,
            };
    }

    private IEnumerable<int> Places(int girder) =>
        Enumerable.Range(0, results.Points.Length).Where(i => results.Points[i].Girder == girder);

    /// <summary>Least and greatest value of a quantity in any case and girder.</summary>
    private (double, double) Widest(Quantity quantity)
    {
        var values = ranges
            .All.SelectMany(r =>
                Enumerable.Range(0, results.Points.Length).SelectMany(i => new[] { quantity.Of(r, true, i), quantity.Of(r, false, i) })
            )
            .Append(0)
            .ToList();
        return (values.Min(), values.Max());
    }

    // Drawings

    public Drawing Shape(ViewSize size, double station)
    {
        var state = ShownState.Of(results, ShapeId)!;
        var contour = state.Model.Shells.IsEmpty ? null : Contour(state);
        var forces = request.Drawn is "M" or "V" or "N" or "T" ? Forces(state) : null;
        var show = new FrameShow
        {
            Look = Look,
            Station = station,
            Displacements = contour is null && forces is null ? state.Displacements : null,
            Moves = request.Motion == "moving",
            Zoom = request.Zoom,
            Contour = contour,
            Forces = forces,
            Reactions =
            [
                .. state.Model.Seats.Select(seat =>
                    (
                        state.Model.Mesh.OfGirder(seat.Girder, seat.Line),
                        results.Layout.SeatNamed(state.Model.Frame.Nodes[seat.Node].Id) is { } n ? state.Effects.Seat(n).Up : 0
                    )
                ),
            ],
        };
        return FrameView.Draw(state.Model, show, units, size) with
        {
            Title = contour?.Name ?? (forces is null ? "Deflected shape" : Quantity.Named(request.Drawn).Words),
        };
    }

    private MemberForces Forces(ShownState state)
    {
        var (of, quantity) = (Component(request.Drawn), Quantity.Named(request.Drawn));
        var values = new (double, double)[state.Model.Frame.Beams.Length];
        for (var g = 0; g < state.Model.GirderBeams.Length; g++)
        {
            foreach (var i in Places(g))
            {
                var (first, last) = state.Model.Mesh.Spans[results.Points[i].Span];
                if (results.Points[i].Line == last || state.Model.GirderBeams[g][results.Points[i].Line] is not (>= 0 and var beam))
                    continue;
                values[beam] = (of(state.Effects.Forces(i)), of(state.Effects.Forces(i + 1)));
            }
        }
        foreach (var other in state.Model.Others)
        {
            if (results.Layout.MemberNamed(other.Name) is { } member)
                values[other.Beam] = (of(state.Effects.End(member, false)), of(state.Effects.End(member, true)));
        }
        return new(quantity.Kind, quantity.PositiveDown, [.. values]);
    }

    private static Func<SectionForces, double> Component(string id) =>
        id switch
        {
            "V" => f => f.V,
            "N" => f => f.N,
            "T" => f => f.T,
            _ => f => f.M,
        };

    private Contour? Contour(ShownState state)
    {
        if (Contours.FirstOrDefault(c => c.Value == request.Drawn) is not { } choice)
            return null;
        var along = state.ShellsAlong();
        return new(
            choice.Words,
            choice.Value.StartsWith('m') ? QuantityKind.Moment : QuantityKind.Force,
            [
                .. along.Select(s =>
                    choice.Value switch
                    {
                        "mAlong" => s.Malong,
                        "mAcross" => s.Macross,
                        "mTwist" => s.Mtwist,
                        "nAlong" => s.Nalong,
                        _ => s.Nacross,
                    }
                ),
            ]
        );
    }

    private FrameLook Look =>
        request.Look switch
        {
            "plan" => FrameLook.Plan,
            "side" => FrameLook.Side,
            _ => FrameLook.Space,
        };

    public Drawing Frame(ViewSize size, double station, string? picked)
    {
        var load = results.Find(new(request.Load));
        var model = load is null ? results.Finished : results.Models[load.Model];
        var names = request.Names switch
        {
            "joints" => FrameNames.Joints,
            "members" => FrameNames.Members,
            "sections" => FrameNames.Sections,
            "axes" => FrameNames.Axes,
            _ => FrameNames.None,
        };
        return FrameView.Draw(
            model,
            new()
            {
                Look = Look,
                Names = names,
                Station = station,
                Picked = picked,
                Load = load?.Load,
                Closer = request.Zoom,
            },
            units,
            size
        );
    }

    // Tables

    private static readonly Quantity[] Columns = [.. Quantity.All.Where(q => q.Id is not ("Mz" or "Vy"))];

    private string Head(Quantity q)
    {
        var name = q.Id switch
        {
            "N" or "V" or "T" or "M" => q.Id,
            "w" => "Deflection",
            "bottom" => "σ soffit",
            "girderTop" => "σ girder top",
            "slabTop" => "σ slab top",
            _ => q.Words,
        };
        return $"{name}, {units[q.Kind].Symbol}";
    }

    /// <summary>The table beside the drawing as raw values: columns with their kinds, rows with text or SI values.</summary>
    private (
        string Title,
        IReadOnlyList<(string Name, QuantityKind? Kind)> Columns,
        IEnumerable<(IReadOnlyList<object> Values, string? Pick)> Rows
    )? Raw() =>
        request.Table switch
        {
            "none" => null,
            "reactions" => RawReactions(),
            "members" => RawMembers(),
            "slab" => RawSlab(),
            _ => RawGirders(),
        };

    private (string, IReadOnlyList<(string, QuantityKind?)>, IEnumerable<(IReadOnlyList<object>, string?)>) RawGirders()
    {
        var (range, quantity) = (Range, Shown);
        List<(string, QuantityKind?)> columns = [("Girder", null), ("Span", QuantityKind.Count), ("Station", QuantityKind.Length)];
        columns.AddRange(
            range.IsSingle
                ? Columns.Select(q => (Head(q), (QuantityKind?)q.Kind))
                : [($"Greatest {Head(quantity)}", quantity.Kind), ("Least", quantity.Kind)]
        );
        var rows = Girders
            .SelectMany(Places)
            .Select(i =>
            {
                var p = results.Points[i];
                object[] values =
                [
                    geometry.Girders[p.Girder].Name,
                    (double)(p.Span + 1),
                    p.Station,
                    .. range.IsSingle
                        ? Columns.Select(q => (object)q.Of(range, true, i))
                        : [quantity.Of(range, true, i), quantity.Of(range, false, i)],
                ];
                return ((IReadOnlyList<object>)values, (string?)p.Path);
            });
        return ($"{range.Name}, along the girders", columns, rows);
    }

    /// <summary>Values of a range as columns: one for a single case, greatest and least for others.</summary>
    private IEnumerable<object> Both(int effect) =>
        Range.IsSingle ? [Range.Greatest[effect]] : [Range.Greatest[effect], Range.Least[effect]];

    private IEnumerable<(string, QuantityKind?)> Heads(string name, QuantityKind kind) =>
        Range.IsSingle ? [(name, kind)] : [($"{name}, greatest", kind), ("least", kind)];

    private (string, IReadOnlyList<(string, QuantityKind?)>, IEnumerable<(IReadOnlyList<object>, string?)>) RawReactions()
    {
        var (force, layout) = (units[QuantityKind.Force].Symbol, results.Layout);
        return (
            $"{Range.Name}: reactions on the girders",
            [
                ("Axis", null),
                ("Girder", null),
                .. Heads($"Up, {force}", QuantityKind.Force),
                .. Heads("Along", QuantityKind.Force),
                .. Heads("Across, to the left", QuantityKind.Force),
            ],
            Enumerable
                .Range(0, layout.Seats.Length)
                .Select(i =>
                {
                    var (seat, at) = (layout.Seats[i], layout.AtSeat(i));
                    object[] values =
                    [
                        geometry.Axes[seat.Axis].Name,
                        geometry.Girders[seat.Girder].Name,
                        .. Both(at + 2),
                        .. Both(at),
                        .. Both(at + 1),
                    ];
                    return ((IReadOnlyList<object>)values, (string?)null);
                })
        );
    }

    private (string, IReadOnlyList<(string, QuantityKind?)>, IEnumerable<(IReadOnlyList<object>, string?)>) RawMembers()
    {
        var layout = results.Layout;
        var (force, moment) = (units[QuantityKind.Force].Symbol, units[QuantityKind.Moment].Symbol);
        (string Name, QuantityKind Kind, GirderEffect At)[] columns =
        [
            ($"N, {force}", QuantityKind.Force, GirderEffect.N),
            ("V", QuantityKind.Force, GirderEffect.V),
            ("V across", QuantityKind.Force, GirderEffect.Vy),
            ($"T, {moment}", QuantityKind.Moment, GirderEffect.T),
            ("M", QuantityKind.Moment, GirderEffect.M),
            ("M across", QuantityKind.Moment, GirderEffect.Mz),
        ];
        return (
            $"{Range.Name}: cross members and piers, at both ends",
            [("Member", null), ("End", null), .. columns.SelectMany(c => Heads(c.Name, c.Kind))],
            Enumerable
                .Range(0, layout.Members.Length)
                .Where(m => layout.Members[m].Kind != MemberKind.Edge)
                .SelectMany(m => new[] { (Member: m, End: false), (Member: m, End: true) })
                .Select(r =>
                {
                    var at = layout.AtEnd(r.Member, r.End);
                    object[] values =
                    [
                        layout.Members[r.Member].Name,
                        r.End ? "end" : "start",
                        .. columns.SelectMany(c => Both(at + (int)c.At)),
                    ];
                    return ((IReadOnlyList<object>)values, (string?)null);
                })
        );
    }

    private (string, IReadOnlyList<(string, QuantityKind?)>, IEnumerable<(IReadOnlyList<object>, string?)>) RawSlab()
    {
        (string Name, QuantityKind Kind)[] columns =
        [
            ("m along", QuantityKind.SlabMoment),
            ("m across", QuantityKind.SlabMoment),
            ("m twisting", QuantityKind.SlabMoment),
            ("v along", QuantityKind.LineLoad),
            ("v across", QuantityKind.LineLoad),
        ];
        var (moment, shear) = (units[QuantityKind.SlabMoment].Symbol, units[QuantityKind.LineLoad].Symbol);
        return (
            $"{Range.Name}: places of the slab, m in {moment}, sagging positive, v in {shear}",
            [
                ("Place", QuantityKind.Count),
                ("Station", QuantityKind.Length),
                ("Offset", QuantityKind.Length),
                .. columns.SelectMany(c =>
                    Range.IsSingle ? [(c.Name, c.Kind)] : new (string, QuantityKind?)[] { (c.Name, c.Kind), ("least", c.Kind) }
                ),
            ],
            results
                .Layout.Slab.Where(p => !p.Shells.IsEmpty)
                .Select(p =>
                {
                    object[] values =
                    [
                        p.Number + 1.0,
                        p.Place.Station,
                        p.Place.Offset,
                        .. columns.SelectMany((_, c) => Both(results.Layout.AtSlab(p.Number) + c)),
                    ];
                    return ((IReadOnlyList<object>)values, (string?)null);
                })
        );
    }

    public DataTable? Table()
    {
        if (Raw() is not { } raw)
            return null;
        string Text(object value, QuantityKind? kind) =>
            value is double number
                ? kind == QuantityKind.Size
                    ? Fine(number, units)
                    : units.Format(number, kind ?? QuantityKind.Number)
                : (string)value;
        return new(
            raw.Title,
            [.. raw.Columns.Select(c => new TableColumn(c.Name, c.Kind is not null))],
            [
                .. raw.Rows.Select(r => new TableRow(
                    [.. r.Values.Select((v, i) => Text(v, raw.Columns[i].Kind))],
                    [.. r.Values.Select(v => v as double?)],
                    r.Pick,
                    null,
                    false
                )),
            ]
        );
    }

    /// <summary>A deflection, with a digit more than sizes have.</summary>
    private static string Fine(double value, UnitSystem units) =>
        QuantityText.Fixed(value / units[QuantityKind.Size].Factor, units == UnitSystem.Metric ? 1 : 3);

    /// <summary>The same table for files, in the units shown and with all digits that mean something.</summary>
    public TableContent? Content() =>
        Raw() is not { } raw
            ? null
            : new(
                raw.Title,
                [.. raw.Columns.Select(c => c.Name)],
                [
                    .. raw.Rows.Select(r =>
                        (IReadOnlyList<object?>)
                            [
                                .. r.Values.Select(
                                    (v, i) =>
                                        v is double number
                                            ? Math.Round(number / units[raw.Columns[i].Kind ?? QuantityKind.Number].Factor, 6)
                                            : v
                                ),
                            ]
                    ),
                ]
            );

    /// <summary>Effects, section and stresses at the station in one girder, stage by stage and added up.</summary>
    public DataTable StageTable(int girder, double station)
    {
        var at = Places(girder).MinBy(i => Math.Abs(results.Points[i].Station - station));
        var (moment, stress) = (units[QuantityKind.Moment].Symbol, units[QuantityKind.Stress].Symbol);
        List<TableRow> rows = [];
        foreach (var step in results.Steps)
        {
            foreach (var gone in results.OfStage(step.Index - 1).Where(c => c.IsPassing))
                rows.Add(Row(step, $"{gone.Name}, gone", "", null, EffectValues.Sum(results.Layout, [(-1, gone.Effects)])));
            foreach (var c in results.OfStage(step.Index))
            {
                var model = results.Models[c.Model];
                var section = model.Sections[girder][model.RowOf(results.Points[at])];
                var words =
                    section is null ? "–"
                    : section.HasSlab ? "composite"
                    : "girder alone";
                rows.Add(Row(step, c.Name, words, section?.Composite.SecondMoment, c.Effects));
            }
            foreach (var c in results.Cases.Where(c => c.Until > Before(step) && c.Until <= step.Stage.Day))
                rows.Add(Row(step, c.Name, "with time", null, c.Effects));
            rows.Add(Row(step, "Sum so far", "", null, results.UpTo(step)));
        }
        foreach (var c in results.Cases.Where(c => c.Until > Before(null)))
            rows.Add(Row(null, c.Name, "with time", null, c.Effects));
        if (ranges.Find(CaseId.Traffic) is { } traffic)
        {
            rows.Add(Row(null, "Traffic, greatest", "composite", null, traffic.Greatest));
            rows.Add(Row(null, "Traffic, least", "composite", null, traffic.Least));
        }
        return new(
            $"{geometry.Girders[girder].Name} at station {units.Format(results.Points[at].Station, QuantityKind.Length)}, stage by stage",
            [
                new("Stage", false),
                new("Day", true),
                new("Load", false),
                new("Section", false),
                new($"I, {units[QuantityKind.SecondMoment].Symbol}", true),
                new($"M, {moment}", true),
                new($"V, {units[QuantityKind.Force].Symbol}", true),
                new($"N, {units[QuantityKind.Force].Symbol}", true),
                new($"Deflection, {units[QuantityKind.Size].Symbol}", true),
                new($"σ soffit, {stress}", true),
                new("σ girder top", true),
                new("σ slab top", true),
            ],
            rows
        );

        // The day of the stage before; of the last one after all of them.
        double Before(StageStep? step) =>
            step is { Index.Number: 1 }
                ? double.NegativeInfinity
                : (step is null ? results.Steps[^1] : results.Steps[step.Index - 1]).Stage.Day;

        TableRow Row(StageStep? step, string load, string section, double? second, EffectValues effects)
        {
            var (f, s, deflection) = (effects.Forces(at), effects.Stresses(at), effects[at, GirderEffect.Deflection]);
            return new(
                [
                    step is null ? "after" : $"{step.Index.Number}",
                    step is null ? "" : QuantityText.Fixed(step.Stage.Day, 0),
                    load,
                    section,
                    second is { } i ? units.Format(i, QuantityKind.SecondMoment) : "",
                    units.Format(f.M, QuantityKind.Moment),
                    units.Format(f.V, QuantityKind.Force),
                    units.Format(f.N, QuantityKind.Force),
                    Fine(deflection, units),
                    units.Format(s.Bottom, QuantityKind.Stress),
                    units.Format(s.GirderTop, QuantityKind.Stress),
                    units.Format(s.SlabTop, QuantityKind.Stress),
                ],
                [step?.Index.Number, step?.Stage.Day, null, null, second, f.M, f.V, f.N, deflection, s.Bottom, s.GirderTop, s.SlabTop],
                step is null ? null : $"/actions/stages/{step.Index}",
                null,
                load == "Sum so far"
            );
        }
    }

    /// <summary>The balance sheet, case by case, in words.</summary>
    public DataTable Balance()
    {
        var force = units[QuantityKind.Force].Symbol;
        return new(
            "Balance of every case: what is put on against what the supports give back",
            [
                new("Case", false),
                new("Acts on", false),
                new($"Down, {force}", true),
                new("Up", true),
                new("Sideways", true),
                new("and back", true),
                new("Left over", true),
                new("In words", false),
            ],
            [
                .. results.Cases.Select(c =>
                {
                    var (on, off) = (
                        Math.Sqrt(Math.Pow(c.Account.Applied[0], 2) + Math.Pow(c.Account.Applied[1], 2)),
                        Math.Sqrt(Math.Pow(c.Account.Reacted[0], 2) + Math.Pow(c.Account.Reacted[1], 2))
                    );
                    return new TableRow(
                        [
                            c.Name,
                            results.Efforts[c.Model].Name,
                            units.Format(c.Account.Load, QuantityKind.Force),
                            units.Format(c.Account.Reaction, QuantityKind.Force),
                            units.Format(on, QuantityKind.Force),
                            units.Format(off, QuantityKind.Force),
                            $"{c.Account.Imbalance:0.0e+0}",
                            InWords(c),
                        ],
                        [null, null, c.Account.Load, c.Account.Reaction, on, off, c.Account.Imbalance, null],
                        null,
                        null,
                        false
                    );
                }),
            ]
        );
    }

    private static string InWords(ActionResult c) =>
        c.Account.Imbalance > 1e-6 ? "does not balance: look at the warnings"
        : Math.Abs(c.Account.Load) < 1 && Math.Abs(c.Account.Applied[0]) + Math.Abs(c.Account.Applied[1]) < 1
            ? "nothing put on; inner forces balance"
        : "balances";

    public static DataTable Comparison(ModelComparison comparison, UnitSystem units, string? pick)
    {
        return new(
            $"Line girders, grillage and shells: {comparison.Values.Length} values, {comparison.Differing.Count()} differ by more "
                + $"than {100 * ModelComparison.Limit:0} % of the greatest of their kind",
            [
                new("Load", false),
                new("Effect", false),
                new("Girder", false),
                new("Place", false),
                new("Line", true),
                new("Grillage", true),
                new("Shells", true),
                new("Line, %", true),
                new("Shells, %", true),
                new("Differs by", false),
            ],
            [
                .. comparison
                    .Values.OrderByDescending(v => v.Worst)
                    .Select(v => new TableRow(
                        [
                            v.Load,
                            v.Named.Words,
                            $"G{v.Girder}",
                            v.Place,
                            Show(v, v.Line, units),
                            Show(v, v.Grillage, units),
                            Show(v, v.Shells, units),
                            QuantityText.Fixed(100 * v.LineDifference, 1),
                            QuantityText.Fixed(100 * v.ShellsDifference, 1),
                            v.Worst <= ModelComparison.Limit ? "agree"
                            : v.OnlyShared ? "sharing"
                            : "stiffness",
                        ],
                        [null, null, v.Girder, null, v.Line, v.Grillage, v.Shells, v.LineDifference, v.ShellsDifference, null],
                        ComparedPath(comparison, v),
                        null,
                        ComparedPath(comparison, v) == pick
                    )),
            ]
        );
    }

    public static string Show(ComparedValue v, double value, UnitSystem units) =>
        v.Named.Kind == QuantityKind.Size ? Fine(value, units) : units.Format(value, v.Named.Kind);

    private static string ComparedPath(ModelComparison comparison, ComparedValue value) =>
        $"/parts/compared/{comparison.Values.IndexOf(value)}";

    /// <summary>The compared value of a path; null for other paths.</summary>
    public static ComparedValue? Compared(ModelComparison comparison, string? pick) =>
        pick?.Split('/') is ["", "parts", "compared", var n] && int.TryParse(n, out var i) && i >= 0 && i < comparison.Values.Length
            ? comparison.Values[i]
            : null;

    public static string Refusal(RunState? state) => state?.Doing ?? "the model runs by itself";
}
