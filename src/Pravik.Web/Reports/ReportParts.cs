using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Units;
using Pravik.Drawings.Reports;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Reports;

/// <summary>What reports of any kind of document have in common.</summary>
internal static class ReportParts
{
    /// <summary>What stands on every page.</summary>
    /// <param name="name">Name of the document.</param>
    /// <param name="titles">Titles of the project.</param>
    /// <param name="revision">The edit at which it stands.</param>
    public static ReportFrame Frame(string name, Titles titles, int revision) =>
        new(
            name,
            string.Join(" · ", new[] { titles.Project, titles.Client, titles.Office }.Where(t => t.Length > 0)),
            $"{titles.Number} {titles.Issue}".Trim(),
            $"Pravik, edit {revision}",
            DateTime.Now.ToString("yyyy-MM-dd")
        );

    /// <summary>The national values, those of the project's own in bold.</summary>
    public static ReportTable NationalValues(Basis basis) =>
        new(
            "National values; those of the project’s own in bold",
            [new("What it is"), new("Value", true), new("Clause")],
            [
                .. basis.Values.Entries.Select(v => new ReportRow([v.Meaning, QuantityText.Significant(v.Value, 4), v.Clause])
                {
                    StandsOut = basis.OwnValues.ContainsKey(v.Name),
                }),
            ]
        );

    /// <summary>Strands row by row, with the lengths over which some are debonded.</summary>
    public static ReportTable Strands(string title, ImmutableArray<StrandRow> strands, UnitSystem units) =>
        new(
            title,
            [new("Row", true), new("Level", true), new("Strands", true), new("Debonded", true), new("Over", true)],
            [
                .. strands.Select(
                    (r, i) =>
                        new ReportRow([
                            $"{i + 1}",
                            units.FormatWithUnit(r.Level, QuantityKind.Size),
                            $"{r.Count}",
                            Debonding.Counts(r) is { Length: > 0 } debonded ? debonded : "0",
                            Debonding.Lengths(r, units) is { Length: > 0 } over ? $"{over} {units[QuantityKind.Length].Symbol}" : "",
                        ])
                ),
            ]
        );

    /// <summary>Concretes by the parts of which they are, strands and bars.</summary>
    public static ReportTable Materials(
        IEnumerable<(string Part, ConcreteGrade Grade)> concretes,
        StrandGrade? strands,
        ReinforcementGrade reinforcement,
        UnitSystem units
    )
    {
        string Stress(double value) => units.FormatWithUnit(value, QuantityKind.Stress);
        ReportRow Of(string part, ConcreteGrade grade)
        {
            var concrete = Concrete.Of(grade);
            return new([
                part,
                grade.Class,
                $"f_ck = {Stress(concrete.Fck)}, f_ctm = {Stress(concrete.Fctm)}, E_cm = {Stress(concrete.Ecm)}",
            ]);
        }
        var bars = ReinforcingSteel.Of(reinforcement);
        ReportRow OfStrands(PrestressingSteel strand) =>
            new(["Strands", strand.Type, $"f_pk = {Stress(strand.Fpk)}, f_p0.1k = {Stress(strand.Fp01k)}, E_p = {Stress(strand.Ep)}"]);
        return new(
            "Materials",
            [new("Part"), new("Grade"), new("Values")],
            [
                .. concretes.Select(c => Of(c.Part, c.Grade)),
                .. strands is null ? [] : new[] { OfStrands(PrestressingSteel.Of(strands)) },
                new(["Bars", bars.Class, $"f_yk = {Stress(bars.Fyk)}, E_s = {Stress(bars.Es)}"]),
            ]
        );
    }

    /// <summary>A table of the screen.</summary>
    public static ReportTable Of(DataTable table) =>
        new(
            table.Title,
            [.. table.Columns.Select(c => new ReportColumn(c.Name, c.IsNumber))],
            [.. table.Rows.Select(r => new ReportRow([.. r.Cells]))]
        );

    /// <summary>What is to be looked at; nothing where there are only notes.</summary>
    public static IEnumerable<ReportBlock> Findings(IEnumerable<Core.Findings.Finding> findings)
    {
        ImmutableArray<ReportRow> told =
        [
            .. findings.Where(f => f.Severity != Core.Findings.Severity.Note).Select(f => new ReportRow([f.Message, f.Why ?? ""])),
        ];
        if (!told.IsEmpty)
            yield return new ReportTable("What is to be looked at", [new("Finding"), new("Why it matters")], told);
    }
}
