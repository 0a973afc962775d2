using Pravik.Core.Codes;
using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Name, titles, units and national values.</summary>
internal static class BasisEntries
{
    public static IEnumerable<Entry> All =>
        [
            Text("/name", "Bridge name", 120),
            Choose(
                "/basis/standard",
                "Standard",
                [new("eurocode", "EN 1990 and EN 1991"), new("lrfd", "AASHTO LRFD")],
                "By which traffic drives and actions are combined. Concrete girders are checked to EN 1992 alone."
            ),
            Pick(
                "/basis/nationalSet",
                "National set",
                NationalValues.Names,
                "Which nationally determined values hold. Single values can be replaced below."
            ),
            Choose(
                "/basis/units",
                "Units",
                [new("metric", "m, mm, kN, MPa"), new("us", "ft, in, kip, ksi")],
                "Units of the project: shown, and meant where an entry names none, unless a person has chosen other ones in the top line."
            ),
            Flag("/basis/indirectAtUltimate", "Temperature, settlement, creep at ultimate", "left out", "count"),
            .. Titles.Select(t => Text($"/basis/titles/{t.Key}", t.Name, 80)),
            .. NationalValues.Named(NationalValues.Recommended)!.Entries.Select(National),
        ];

    private static IEnumerable<(string Key, string Name)> Titles =>
        [
            ("project", "Project"),
            ("client", "Client"),
            ("office", "Office"),
            ("number", "Drawing number"),
            ("issue", "Issue"),
            ("drawn", "Drawn"),
            ("checked", "Checked"),
        ];

    private static Entry National(NationalValue value)
    {
        var (kind, least, greatest) = value.Name switch
        {
            "gammaC" or "gammaS" or "gammaCaccidental" or "gammaSaccidental" => (QuantityKind.Number, 1.0, 3.0),
            "alphaCc" => (QuantityKind.Number, 0.5, 1.0),
            "laneWidth" => (QuantityKind.Length, 2.0, 5.0),
            "kerbHeight" => (QuantityKind.Size, 0.0, 0.5),
            "tandem1" or "tandem2" or "tandem3" => (QuantityKind.Force, 0.0, 1e6),
            "lane1" or "lane2" or "lane3" or "remaining" or "footwayWithTraffic" or "footwayAlone" => (QuantityKind.AreaLoad, 0.0, 1e6),
            _ when value.Name.StartsWith("gamma", StringComparison.Ordinal) => (QuantityKind.Number, 0.5, 3.0),
            _ when value.Name.StartsWith("psi", StringComparison.Ordinal) => (QuantityKind.Number, 0.0, 1.0),
            _ when value.Name.StartsWith("alpha", StringComparison.Ordinal) => (QuantityKind.Number, 0.0, 3.0),
            "lorriesPerYear" => (QuantityKind.Number, 1.0, 1e8),
            _ => (QuantityKind.Number, 0.0, 1e6),
        };
        return Own($"/basis/ownValues/{value.Name}", value.Name, kind, least, greatest, value.Meaning) with { IsItem = true };
    }
}
