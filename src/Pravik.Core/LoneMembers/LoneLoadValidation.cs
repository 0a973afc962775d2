using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Core.Validation;
using Pravik.Core.Vehicles;

namespace Pravik.Core.LoneMembers;

/// <summary>The bounds of what acts on a member: cases, traffic, tables of effects.</summary>
internal static class LoneLoadValidation
{
    private const double Greatest = 1e9;

    public static void Check(LoneMember member, double length, Bounds bounds)
    {
        for (var i = 0; i < member.Cases.Length; i++)
            Case(member, i, length, bounds);
        for (var i = 0; i < member.Traffic.Length; i++)
            Traffic(member, i, bounds);
        if (member.Effects is { } tables)
            Tables(tables, length, bounds);
        else if (member.HasStrands && member.Spans.Length > 1)
            bounds.Error("/strands/rows", "Pretensioned strands are covered in members of one span.");
    }

    private static void Case(LoneMember member, int i, double length, Bounds bounds)
    {
        var (own, path) = (member.Cases[i], $"/cases/{i}");
        bounds.Text($"{path}/name", "The name of a case", own.Name, 120);
        if (string.IsNullOrWhiteSpace(own.Name))
            bounds.Error($"{path}/name", "A case needs a name.");
        else if (member.Cases.Take(i).Any(c => c.Name == own.Name))
            bounds.Error($"{path}/name", $"There are two cases named “{own.Name}”.");
        if (!Enum.IsDefined(own.Action))
            bounds.Error($"{path}/action", "This kind of action is not known.");
        foreach (var (name, psi) in new[] { ("psi0", own.Psi0), ("psi1", own.Psi1), ("psi2", own.Psi2) })
            bounds.Between($"{path}/{name}", "A combination factor", psi, 0, 1, QuantityKind.Number);
        if (own.BeforeSlab && member.Slab is null)
            bounds.Error($"{path}/beforeSlab", "The member has no slab that is cast on it.");
        for (var k = 0; k < own.Loads.Length; k++)
        {
            var (load, at) = (own.Loads[k], $"{path}/loads/{k}");
            if (!Enum.IsDefined(load.Kind))
                bounds.Error($"{at}/kind", "This kind of load is not known.");
            bounds.Between($"{at}/value", "A load", load.Value, -Greatest, Greatest, load.Quantity);
            bounds.Between($"{at}/toValue", "A load", load.ToValue ?? load.Value, -Greatest, Greatest, load.Quantity);
            if (load.Kind == LoneLoadKind.Line)
                LoneValidation.Within(at, load.From, load.To, length, bounds);
            else
                bounds.Between($"{at}/from", "The place of a load", load.From ?? 0, 0, length, QuantityKind.Length);
        }
    }

    private static void Traffic(LoneMember member, int i, Bounds bounds)
    {
        var (use, path) = (member.Traffic[i], $"/traffic/{i}");
        bounds.Between($"{path}/share", "The share of a lane", use.Share, 0, 10, QuantityKind.Number);
        bounds.Between($"{path}/dynamic", "A dynamic factor", use.Dynamic, 0.5, 3, QuantityKind.Number);
        if (TrafficModels.Named(use.Model ?? "", member.Basis.Values) is not { } model)
            bounds.Error($"{path}/model", $"“{use.Model}” is no traffic model that is known. LM1, LM2, LM71 and SW/0 are, among others.");
        else if (member.Traffic.Take(i).Any(t => t.Model.Trim().Equals(model.Name, StringComparison.OrdinalIgnoreCase)))
            bounds.Error($"{path}/model", $"{model.Name} stands in the list twice.");
        else if (LineTraffic.Refusal(model) is { } reason)
            bounds.Error($"{path}/model", reason);
        else if (model.Role == TrafficRole.Shown)
            bounds.Error($"{path}/model", $"{model.Name} enters no combination of actions, so that no check of a member would see it.");
    }

    private static void Tables(EffectTables tables, double length, Bounds bounds)
    {
        if (tables.At.IsDefault || tables.Combinations.IsDefault || tables.Combinations.Contains(null!))
        {
            bounds.Error("/effects", "A list of the tables is missing.");
            return;
        }
        if (tables.At.Length is < 2 or > LonePlaces.Most)
            bounds.Error("/effects/at", $"Tables have 2 to {LonePlaces.Most} places; {tables.At.Length} were given.");
        for (var i = 0; i < tables.At.Length; i++)
        {
            bounds.Between($"/effects/at/{i}", "A place", tables.At[i], 0, length, QuantityKind.Length);
            if (i > 0 && (tables.At[i] < tables.At[i - 1] || (i > 1 && tables.At[i] == tables.At[i - 2])))
                bounds.Error($"/effects/at/{i}", "Places go ahead along the member; one may stand twice, where an effect jumps.");
        }
        if (tables.Combinations.Length is 0 or > 500)
            bounds.Error("/effects/combinations", $"There are 1 to 500 tables; {tables.Combinations.Length} were given.");
        for (var i = 0; i < tables.Combinations.Length; i++)
            Table(tables, i, bounds);
    }

    private static void Table(EffectTables tables, int i, Bounds bounds)
    {
        var (table, path) = (tables.Combinations[i], $"/effects/combinations/{i}");
        bounds.Text($"{path}/name", "The name of a table", table.Name, 120);
        if (!Enum.IsDefined(table.State) || table.State is Codes.LimitState.Fatigue)
            bounds.Error($"{path}/state", "Tables are of the ultimate, accidental, characteristic, frequent or quasiPermanent state.");
        var columns = new[]
        {
            ("n", table.N),
            ("v", table.V),
            ("t", table.T),
            ("m", table.M),
            ("bottom", table.Bottom),
            ("girderTop", table.GirderTop),
            ("slabTop", table.SlabTop),
        };
        foreach (var (name, column) in columns)
        {
            if (column.IsDefault)
                bounds.Error($"{path}/{name}", "This column is missing; an empty one is all 0.");
            else if (!column.IsEmpty && column.Length != tables.At.Length)
                bounds.Error($"{path}/{name}", $"There are {tables.At.Length} places; this column has {column.Length} values.");
            else if (column.Any(v => !double.IsFinite(v) || Math.Abs(v) > 1e12))
                bounds.Error($"{path}/{name}", "A value of this column is beyond all bounds.");
        }
    }
}
