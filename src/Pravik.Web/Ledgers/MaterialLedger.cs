using System.Collections.Immutable;
using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>Ledger groups of materials: class, what follows from it, own values, own stress-strain lines.</summary>
internal sealed class MaterialLedger(Bridge bridge, LedgerRows rows)
{
    private readonly MaterialSet materials = bridge.Materials;

    /// <summary>Concrete of each type of girder, of slab and supports, then bars, strands and steel.</summary>
    public IEnumerable<LedgerGroup> Groups()
    {
        var concretes = bridge
            .Girders.Types.Select((t, i) => ($"/girders/types/{i}/concrete", $"Concrete of {t.Name}", t.Concrete))
            .Append(("/materials/slab", "Slab concrete", materials.Slab))
            .Append(("/materials/support", "Concrete of supports", materials.Support));
        foreach (var (path, title, grade) in concretes)
        {
            var concrete = Concrete.Of(new ConcreteGrade { Class = grade.Class });
            yield return new(
                title,
                [
                    rows.Entry($"{path}/class"),
                    rows.Reading("f_ck", concrete.Fck, QuantityKind.Stress, "Characteristic cylinder strength."),
                    rows.Reading("f_cm", concrete.Fcm, QuantityKind.Stress, "f_ck + 8 MPa (Table 3.1)."),
                    rows.Entry($"{path}/ecm", concrete.Ecm),
                    rows.Entry($"{path}/fctm", concrete.Fctm),
                    rows.Entry($"{path}/epsilonC2", concrete.EpsilonC2),
                    rows.Entry($"{path}/epsilonCu2", concrete.EpsilonCu2),
                    rows.Entry($"{path}/exponent", concrete.Exponent),
                ]
            )
            {
                Actions = grade.Line is null ? [Begin(path, title, Parabola(Concrete.Of(grade with { Line = null })))] : [],
            };
            if (grade.Line is { } line)
                yield return Line(path, title, line);
        }
        yield return new("Exposure", [rows.Entry("/materials/exposure")]);
        var bars = ReinforcingSteel.Of(materials.Reinforcement with { Fyk = null, Es = null, EpsilonUk = null, Ratio = null });
        yield return new(
            "Bars",
            [
                rows.Entry("/materials/reinforcement/class"),
                rows.Entry("/materials/reinforcement/fyk", bars.Fyk),
                rows.Entry("/materials/reinforcement/es", bars.Es),
                rows.Entry("/materials/reinforcement/branch"),
                .. materials.Reinforcement.Branch == Branch.Rising
                    ? new[]
                    {
                        rows.Entry("/materials/reinforcement/epsilonUk", bars.EpsilonUk),
                        rows.Entry("/materials/reinforcement/ratio", bars.Ratio),
                    }
                    : [],
            ]
        )
        {
            Actions = materials.Reinforcement.Line is null
                ? [Begin("/materials/reinforcement", "Bars", Bent(ReinforcingSteel.Of(materials.Reinforcement)))]
                : [],
        };
        if (materials.Reinforcement.Line is { } ofBars)
            yield return Line("/materials/reinforcement", "Bars", ofBars);
        var own = materials.Strand;
        var strand = PrestressingSteel.Of(new StrandGrade { Type = own.Type, RelaxationClass = own.RelaxationClass });
        var used = PrestressingSteel.Of(own);
        yield return new(
            "Strand",
            [
                rows.Entry("/materials/strand/type"),
                rows.Entry("/materials/strand/area", strand.Area),
                rows.Entry("/materials/strand/fpk", strand.Fpk),
                rows.Entry("/materials/strand/fp01k", PrestressingSteel.Of(new StrandGrade { Type = own.Type, Fpk = own.Fpk }).Fp01k),
                rows.Entry("/materials/strand/ep", strand.Ep),
                rows.Entry("/materials/strand/branch"),
                rows.Entry("/materials/strand/relaxationClass"),
                rows.Entry("/materials/strand/rho1000", strand.Rho1000),
                LedgerRows.Reading(
                    "Final relaxation from 0.7 f_pk",
                    $"{QuantityText.Fixed(100 * used.Relaxation(0.7, 500_000), 2)} %",
                    "Of the initial stress, after 500 000 hours (EN 1992-1-1 3.3.2(7) and (8))."
                ),
            ]
        )
        {
            Actions = own.Line is null
                ?
                [
                    Begin(
                        "/materials/strand",
                        "Strand",
                        [
                            new() { Strain = used.Fp01k / used.Ep, Stress = used.Fp01k },
                            new() { Strain = PrestressingSteel.StrainLimit / 0.9, Stress = used.Fpk },
                        ]
                    ),
                ]
                : [],
        };
        if (own.Line is { } ofStrand)
            yield return Line("/materials/strand", "Strand", ofStrand);
        var steel = StructuralSteel.Of(new() { Class = materials.Structural.Class });
        yield return new(
            "Structural steel",
            [
                rows.Entry("/materials/structural/class"),
                rows.Entry("/materials/structural/fy", steel.Fy),
                rows.Reading("f_y above 40 mm", StructuralSteel.Of(materials.Structural).FyThick, QuantityKind.Stress),
                rows.Entry("/materials/structural/fu", steel.Fu),
                rows.Entry("/materials/structural/e", steel.E),
            ]
        )
        {
            Note = "Of girders, frames and stiffeners of steel.",
        };
    }

    /// <summary>An own line begun with what the class gives.</summary>
    private static LedgerAction Begin(string path, string title, ImmutableArray<LinePoint> line) =>
        new(
            "Own stress-strain line",
            $"Own stress-strain line: {title.ToLowerInvariant()}",
            [new("add", $"{path}/line", BridgeJson.Node(line))]
        );

    private LedgerGroup Line(string path, string title, ImmutableArray<LinePoint> line) =>
        new(
            $"{title}: own stress-strain line",
            [.. line.SelectMany((_, i) => new[] { rows.Entry($"{path}/line/{i}/strain"), rows.Entry($"{path}/line/{i}/stress") })]
        )
        {
            Columns = [$"Strain, {rows.Units[QuantityKind.Strain].Symbol}", $"Stress, {rows.Units[QuantityKind.Stress].Symbol}"],
            RowActions =
                line.Length > 2
                    ?
                    [
                        .. line.Select(
                            (_, i) =>
                                new LedgerAction(
                                    $"Take point {i + 1} away",
                                    $"Point {i + 1} taken away",
                                    [new("remove", $"{path}/line/{i}")]
                                )
                        ),
                    ]
                    : [],
            Actions =
            [
                new(
                    "Add a point",
                    "Point added",
                    [
                        new(
                            "add",
                            $"{path}/line/-",
                            new JsonObject { ["strain"] = Math.Round(line[^1].Strain * 1.2, 6), ["stress"] = line[^1].Stress }
                        ),
                    ]
                ),
                new(
                    "Back to the line of the class",
                    $"Stress-strain line of the class: {title.ToLowerInvariant()}",
                    [new("replace", $"{path}/line")]
                ),
            ],
            Note = "Characteristic values, from the origin straight from point to point; safety factors come on top.",
        };

    private static ImmutableArray<LinePoint> Parabola(Concrete concrete) =>
        [
            .. Enumerable
                .Range(1, 5)
                .Select(i => i / 5.0 * concrete.EpsilonC2)
                .Append(concrete.EpsilonCu2)
                .Select(e => new LinePoint { Strain = Math.Round(e, 7), Stress = Math.Round(concrete.Stress(e, concrete.Fck)) }),
        ];

    private static ImmutableArray<LinePoint> Bent(ReinforcingSteel bars) =>
        [
            new() { Strain = bars.Fyk / bars.Es, Stress = bars.Fyk },
            new() { Strain = bars.EpsilonUk, Stress = bars.Branch == Branch.Rising ? bars.Ratio * bars.Fyk : bars.Fyk },
        ];
}
