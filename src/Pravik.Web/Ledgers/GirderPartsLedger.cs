using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Web.Ledgers;

/// <summary>Ledger groups of what stands between and on the girders: diaphragms, frames, stiffeners.</summary>
internal sealed class GirderPartsLedger(Bridge bridge, BridgeGeometry geometry, LedgerRows rows)
{
    public IEnumerable<LedgerGroup> Groups(string? picked)
    {
        yield return new("Diaphragms on the axes", [rows.Entry("/girders/diaphragm/width"), rows.Entry("/girders/diaphragm/depth")]);
        var placed = bridge.Girders.Diaphragms;
        for (var i = 0; i < placed.Length; i++)
            yield return Diaphragm(i, picked == PartPath.Diaphragm(i));
        yield return new("Diaphragms between", [])
        {
            Actions =
            [
                new("Add a diaphragm", "Diaphragm added", [new("add", "/girders/diaphragms/-", new JsonObject())]),
                new(
                    "Add a cross-frame",
                    "Cross-frame added",
                    [new("add", "/girders/diaphragms/-", new JsonObject { ["kind"] = "crossFrame", ["stage"] = "beforeSlab" })]
                ),
            ],
            Note = placed.IsEmpty
                ? "Concrete diaphragms and frames of steel, at axes or between them."
                : "Before and with the slab their weight is on the girders alone, after it on the finished deck. Concrete and "
                    + "single members count in the stiffness; frames of bars do not.",
        };
        var stiffeners = bridge.Girders.Stiffeners;
        for (var i = 0; i < stiffeners.Length; i++)
            yield return Stiffener(i, picked == PartPath.Stiffener(i));
        if (!stiffeners.IsEmpty || geometry.SectionsInUse.Any(s => s.Web is not null))
            yield return new("Stiffeners", [])
            {
                Actions =
                [
                    new(
                        "Add transverse ones",
                        "Transverse stiffeners added",
                        [new("add", "/girders/stiffeners/-", new JsonObject { ["spacing"] = 3 })]
                    ),
                    new(
                        "Add those over bearings",
                        "Bearing stiffeners added",
                        [new("add", "/girders/stiffeners/-", new JsonObject { ["kind"] = "bearing", ["thickness"] = 0.025 })]
                    ),
                    new(
                        "Add a longitudinal one",
                        "Longitudinal stiffener added",
                        [new("add", "/girders/stiffeners/-", new JsonObject { ["kind"] = "longitudinal" })]
                    ),
                ],
                Note = "Plates on the webs of steel girders, drawn in 3D and billed by weight.",
            };
        if (!geometry.SectionsInUse.Any(s => s.Web is not null))
            yield break;
        for (var i = 0; i < bridge.Girders.Studs.Length; i++)
            yield return Studs(i);
        yield return new("Studs", [])
        {
            Actions = [new("Add a zone", "Zone of studs added", [new("add", "/girders/studs/-", new JsonObject())])],
            Note = "Where zones overlap, the last one holds.",
        };
        yield return new("Fatigue of steel", [rows.Entry("/girders/fatigue/trucksADay"), rows.Entry("/girders/fatigue/years")])
        {
            Actions = [new("Add a detail", "Fatigue detail added", [new("add", "/girders/fatigue/details/-", new JsonObject())])],
            Note = "Welds of web and flanges, stiffeners, frames and studs are details by themselves.",
        };
        for (var i = 0; i < bridge.Girders.Fatigue.Details.Length; i++)
            yield return Detail(i);
    }

    private LedgerGroup Studs(int index) => Listed("studs", index, $"Stud zone {index + 1}", StudValues);

    private static readonly string[] StudValues = ["span", "from", "to", "perRow", "spacing", "across", "diameter", "height"];

    private LedgerGroup Detail(int index) => Listed("fatigue/details", index, $"Fatigue detail {index + 1}", DetailValues);

    private static readonly string[] DetailValues = ["name", "category", "level", "span", "from", "to"];

    private LedgerGroup Listed(string list, int index, string title, string[] values)
    {
        var path = $"/girders/{list}/{index}";
        return new(title, [.. values.Select(v => rows.Entry($"{path}/{v}"))])
        {
            Actions = [new("Take away", $"{title} taken away", [new("remove", path)])],
        };
    }

    private LedgerGroup Diaphragm(int index, bool isPicked)
    {
        var (placed, path) = (bridge.Girders.Diaphragms[index], $"/girders/diaphragms/{index}");
        var bays = geometry.DiaphragmBays().Where(b => b.Index == index).ToList();
        var isConcrete = placed.Kind == DiaphragmKind.Concrete;
        return new(
            $"Diaphragm {index + 1}{(isPicked ? ", picked" : "")}",
            [
                rows.Entry($"{path}/kind"),
                rows.Entry($"{path}/span"),
                rows.Entry($"{path}/at"),
                rows.Entry($"{path}/distance"),
                rows.Entry($"{path}/square"),
                .. isConcrete
                    ? new[] { rows.Entry($"{path}/width") }
                    : [rows.Entry($"{path}/section", inheritedChoice: geometry.BarsOf(placed)?.Shape.Name)],
                rows.Entry($"{path}/depth"),
                rows.Entry($"{path}/firstBay"),
                rows.Entry($"{path}/lastBay"),
                rows.Entry($"{path}/stage"),
                LedgerRows.Reading("Bays", $"{bays.Count}"),
                rows.Reading("Weight in all", bays.Sum(b => b.Weight(geometry)), QuantityKind.Force),
            ]
        )
        {
            Actions = [new("Take away", $"Diaphragm {index + 1} taken away", [new("remove", path)])],
        };
    }

    private LedgerGroup Stiffener(int index, bool isPicked)
    {
        var (stiffener, path) = (bridge.Girders.Stiffeners[index], $"/girders/stiffeners/{index}");
        var places = geometry.StiffenerPlaces().Where(p => p.Index == index).ToList();
        string[] sizes = stiffener.Kind switch
        {
            StiffenerKind.Bearing => [],
            StiffenerKind.Longitudinal => ["from", "to", "height"],
            _ => ["from", "to", "spacing"],
        };
        return new(
            $"Stiffener {index + 1}{(isPicked ? ", picked" : "")}",
            [
                rows.Entry($"{path}/kind"),
                rows.Entry($"{path}/span"),
                .. sizes.Select(s => rows.Entry($"{path}/{s}")),
                rows.Entry($"{path}/width"),
                rows.Entry($"{path}/thickness"),
                rows.Entry($"{path}/bothSides"),
                LedgerRows.Reading("Places", $"{places.Count}"),
                rows.Reading("Weight in all", places.Sum(p => p.Volume) * bridge.Loads.SteelWeight, QuantityKind.Force),
            ]
        )
        {
            Actions = [new("Take away", $"Stiffener {index + 1} taken away", [new("remove", path)])],
        };
    }
}
