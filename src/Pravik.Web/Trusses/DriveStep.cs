using System.Collections.Immutable;
using Pravik.Core.Entries;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Trusses;

/// <summary>A vehicle that crosses: what bars bear as it goes, how the truss moves, what gives way.</summary>
internal static class DriveStep
{
    public static IReadOnlyList<SheetControl> Controls(TrussScreen screen)
    {
        if (screen.Results is null)
            return [];
        var (vehicle, isAhead, isHeavy) = Chosen(screen);
        return
        [
            new("load", "Vehicle", $"{vehicle}", [.. screen.Scheme.Vehicles.Select((v, i) => new Choice($"{i}", v.Name))]),
            new("side", "goes", isAhead ? "ahead" : "back", [new("ahead", "from left to right"), new("back", "from right to left")]),
            new(
                "fixed",
                "weight",
                isHeavy ? "heavy" : "light",
                [new("heavy", "with the factor that worsens"), new("light", "with the factor that relieves")]
            ),
            new(
                "motion",
                "movements",
                $"{Scale(screen)}",
                [
                    new("1", "true"),
                    new("10", "10 times"),
                    new("20", "20 times"),
                    new("50", "50 times"),
                    new("100", "100 times"),
                    new("200", "200 times"),
                ]
            ),
        ];
    }

    /// <summary>The crossing that is chosen: at first the one in which most goes wrong.</summary>
    public static (int Vehicle, bool IsAhead, bool IsHeavy) Chosen(TrussScreen screen) =>
        Chosen(screen.Scheme, screen.Results, screen.Request.Load, screen.Request.Side, screen.Request.Fixed);

    public static (int Vehicle, bool IsAhead, bool IsHeavy) Chosen(
        TrussScheme scheme,
        TrussResults? results,
        string load,
        string side,
        string weight
    )
    {
        var position = results?.Governing;
        var vehicle = int.TryParse(load, out var v) && v >= 0 && v < scheme.Vehicles.Length ? v : position?.Vehicle ?? 0;
        var isAhead = side switch
        {
            "ahead" => true,
            "back" => false,
            _ => position?.IsAhead ?? true,
        };
        return (vehicle, isAhead, weight != "light");
    }

    public static int Scale(TrussScreen screen) => int.TryParse(screen.Request.Motion, out var times) ? Math.Clamp(times, 1, 500) : 20;

    public static SheetContent Sheet(TrussScreen screen, string layout)
    {
        if (screen.Results is null)
            return new([new("waiting", "Nothing drives yet", "bars that stand are needed first", "")]);
        if (layout is "space" or "driver")
            return new([new(layout, layout == "space" ? "Crossing in space" : "From the driver’s seat", "movements drawn larger", "")]);
        var drive = Drive(screen);
        var step = At(screen, drive);
        var (_, isAhead, _) = Chosen(screen);
        ImmutableArray<BarState> states = [.. step.Forces.Select((n, b) => new BarState(n, drive.ResistanceOf(b).RatioOf(n)))];
        TrussShown shown = new()
        {
            States = states,
            Picked = screen.Picks.Parts,
            Movements = [.. step.Movements.Select(m => Scale(screen) * m)],
            Vehicle = new(screen.Scheme.Vehicles[drive.Number], step.Front ?? screen.Station, isAhead),
            Cursor = screen.Station,
        };
        var side = screen.Side("drive", screen.Half, shown, "Crossing", false, true);
        var isShort = step.Front is { } x ? Math.Abs(x - screen.Station) > screen.Places.Panel / 2 : true;
        var note =
            !isShort ? "movements drawn larger"
            : drive.Falls ? "it falls before the vehicle gets to the cursor"
            : "the vehicle does not get to the cursor";
        return new([side with { Note = note }], Table(screen, step, states));
    }

    private static TrussDrive Drive(TrussScreen screen)
    {
        var (vehicle, isAhead, isHeavy) = Chosen(screen);
        return screen.Run.Drive(vehicle, isAhead, isHeavy);
    }

    /// <summary>The moment at which the vehicle is nearest to the cursor; where it never gets there, the last.</summary>
    private static DriveMoment At(TrussScreen screen, TrussDrive drive) =>
        drive.Steps.Where(s => s.Front is not null).MinBy(s => Math.Abs(s.Front!.Value - screen.Station)) ?? drive.Steps[^1];

    private static DataTable Table(TrussScreen screen, DriveMoment step, ImmutableArray<BarState> states)
    {
        var force = screen.Units[QuantityKind.Force];
        return new(
            step.Front is { } x
                ? $"Bars with the first axle at {screen.Units.FormatWithUnit(x, QuantityKind.Length)}"
                : $"Bars under {QuantityText.Fixed(100 * step.Share, 0)} % of the weight",
            [
                new("Bar", true),
                new("Joints", false),
                new("Section", false),
                new($"N, {force.Symbol}", true),
                new("Sense", false),
                new("Utilisation", true),
            ],
            [
                .. states.Select(
                    (s, b) =>
                        new TableRow(
                            [
                                $"{b + 1}",
                                $"{screen.Scheme.Bars[b].From} {screen.Scheme.Bars[b].To}",
                                screen.Scheme.Bars[b].Size,
                                QuantityText.Fixed(s.Force / force.Factor, 1),
                                s.Force < 0 ? "compression" : "tension",
                                TrussScreen.Ratio(s.Ratio),
                            ],
                            [b + 1, null, null, s.Force, null, s.Ratio],
                            TrussPicks.PathOf(b),
                            s.Ratio,
                            screen.Picks.Bars.Contains(b)
                        )
                ),
            ]
        );
    }

    public static Ledger Ledger(TrussScreen screen)
    {
        if (screen.Results is not { } results)
            return new("Drive", "waits for bars that stand", []);
        var drive = Drive(screen);
        var rows = screen.Rows;
        List<LedgerGroup> groups =
        [
            new(
                drive.Falls ? "It falls"
                    : drive.Failures.Count > 0 ? "What gives way"
                    : "It stands",
                [.. drive.Failures.Select((f, i) => LedgerRows.Reading($"{i + 1}. {f.Words(screen.Scheme)}", ""))]
            )
            {
                Note =
                    drive.Falls ? "After that nothing holds it: its fall is followed by the equations of motion."
                    : drive.Failures.Count > 0
                        ? "It still stands: what yields goes on carrying its resistance, what buckles carries nothing."
                    : "No bar gives way in this crossing.",
            },
            new(
                "Deflection under traffic",
                [
                    rows.Reading("Greatest of the deck, no factor", results.Deflection, QuantityKind.Size),
                    LedgerRows.Reading(
                        "Allowed",
                        results.Forces.Model.DeflectionLimit is { } limit ? screen.Units.FormatWithUnit(limit, QuantityKind.Size) : "any"
                    ),
                    LedgerRows.Reading("Ratio", TrussScreen.Ratio(results.DeflectionRatio)),
                ]
            ),
            Reactions(screen, results, drive),
        ];
        return new("Drive", screen.Scheme.Vehicles[drive.Number].Name, groups);
    }

    private static LedgerGroup Reactions(TrussScreen screen, TrussResults results, TrussDrive drive)
    {
        var loads = VehiclePositions.Loads(screen.Places, screen.Scheme.Vehicles[drive.Number], drive.IsAhead, screen.Station);
        var model = results.Forces.Model;
        return new(
            "Reactions of one plane, no factors",
            [
                .. results
                    .Forces.Reactions(loads.AsSpan(), 1)
                    .SelectMany(r =>
                        new[]
                        {
                            LedgerRows.Reading("", model.Joints[r.Joint].Id),
                            LedgerRows.Reading(
                                "",
                                model.Joints[r.Joint].Hold.HasFlag(JointHold.Along) ? screen.Units.Format(r.Along, QuantityKind.Force) : ""
                            ),
                            LedgerRows.Reading(
                                "",
                                model.Joints[r.Joint].Hold.HasFlag(JointHold.Upright) ? screen.Units.Format(r.Up, QuantityKind.Force) : ""
                            ),
                        }
                    ),
            ]
        )
        {
            Columns = ["Joint", $"Along, {screen.Units[QuantityKind.Force].Symbol}", "Up"],
            Note = "With the whole weight, and the vehicle at the cursor.",
        };
    }
}
