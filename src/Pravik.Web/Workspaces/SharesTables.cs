using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>Shares of girders in a lane: a drawing of the span at the cursor, a table of all, and what they mean.</summary>
internal static class SharesTables
{
    /// <summary>The span at the cursor, and all of them in a table.</summary>
    public static SheetContent Sheet(Screen screen, ModelResults results)
    {
        if (screen.Snapshot.Bridge.Basis.Standard != Standard.Lrfd)
            return new([screen.Waiting("Worked out under AASHTO LRFD", "Basis, Standard")]);
        var shares = results.Traffic?.Shares ?? [];
        if (shares.IsEmpty)
            return new([screen.Waiting("No shares", "nothing drives on the deck")]);
        var span = screen.Geometry.SpanAt(screen.Station);
        var here = shares.Where(s => s.Span == span).GroupBy(s => s.Of);
        var groups = here.Select(g => new SharesGroup(
                Words(g.Key),
                [.. g.Select(s => (screen.Geometry.Girders[s.Girder].Name, s.InModel.Greatest, s.ByFormula.Greatest))]
            ))
            .ToList();
        var caption = $"span {span.Value + 1}; lines: formula";
        return new([Screen.Drawn("shares", SharesView.Draw(groups, caption, screen.Part(0.5, 200)))], Table(shares, results, screen.Units));
    }

    private static DataTable Table(IReadOnlyList<GirderShare> shares, ModelResults results, UnitSystem units)
    {
        string[] names =
        [
            "Girder",
            "Span",
            "Of",
            "Station",
            "Model, one lane",
            "Worst",
            "Formula, one lane",
            "Several",
            "Model / formula",
            "Ranges",
        ];
        return new(
            "Shares of a lane of HL-93, factors by number of lanes included",
            [.. names.Select((n, i) => new TableColumn(n, i is 1 or > 2 and < 9))],
            [.. shares.Select(s => Row(s, results.Points[s.Point], units))]
        );
    }

    private static TableRow Row(GirderShare share, ModelPoint point, UnitSystem units)
    {
        var ratio = share.ByFormula.Greatest > 0 ? share.InModel.Greatest / share.ByFormula.Greatest : 0;
        double[] numbers = [share.InModel.OneLane, share.InModel.Greatest, share.ByFormula.OneLane, share.ByFormula.SeveralLanes, ratio];
        return new(
            [
                $"G{share.Girder.Value + 1}",
                $"{share.Span.Value + 1}",
                Words(share.Of),
                units.Format(point.Station, QuantityKind.Length),
                .. numbers.Select(n => QuantityText.Fixed(n, 3)),
                share.OutOfRange.IsEmpty ? "within" : string.Join("; ", share.OutOfRange),
            ],
            [share.Girder.Value, share.Span.Value, null, point.Station, .. numbers.Cast<double?>(), null],
            point.Path,
            null,
            false
        );
    }

    private static string Words(ShareOf of) =>
        of switch
        {
            ShareOf.Sagging => "sagging moment",
            ShareOf.Hogging => "hogging moment",
            _ => "shear",
        };

    /// <summary>What the shares are, and what they leave out.</summary>
    public static Ledger Ledger() =>
        new(
            "Distribution",
            "who carries a lane",
            [
                new("What is shown", [])
                {
                    Note =
                        "How much of one lane of HL-93 each girder takes: its worst value in the model over what one lane does to all "
                        + "girders together at the same place. Factors by number of lanes are in it, the dynamic allowance is not. With "
                        + "one lane loaded, and with as many as are worst.",
                },
                new("By formula", [])
                {
                    Note =
                        "AASHTO LRFD Tables 4.6.2.2.2b-1, 2d-1, 3a-1 and 3b-1 for slabs on steel or precast I girders; lever rule and "
                        + "sections that stay plane for outer girders; skew by 2e-1 and 3c-1, for shear as at the obtuse corner for every "
                        + "girder. S is the mean of both sides; L over a support is the mean of both spans.",
                },
                new("Not in it", [])
                {
                    Note =
                        "Curvature (4.6.1.2.4), girders of unlike stiffness, box girders and other types of deck. A girder outside of the "
                        + "ranges says in which; its formula is shown all the same. Checks use the model, not the formulas.",
                },
            ]
        );
}
