using System.Text.Json;
using Pravik.Core.Findings;
using Pravik.Core.Units;
using Pravik.Core.Validation;

namespace Pravik.Core.Trusses;

/// <summary>What is wrong with a truss scheme, with the place, the reason and a repair where there is one.</summary>
public static class TrussValidation
{
    /// <summary>Most bars of a scheme.</summary>
    public const int MostBars = 1000;

    /// <summary>Most joints of a scheme beside the site's.</summary>
    public const int MostJoints = 400;
    private const int MostOfList = 60;

    /// <summary>
    /// All findings of a scheme. Errors cannot be stored; faults can, and nothing is analysed until they are mended: among them the ways in
    /// which it can move.
    /// </summary>
    public static IReadOnlyList<Finding> Check(TrussScheme scheme)
    {
        var bounds = new Bounds(UnitSystem.Named(scheme.Units));
        if (!IsWhole(scheme, bounds))
            return bounds.Findings;
        Values(scheme, bounds);
        if (bounds.HasErrors)
            return bounds.Findings;
        TrussSiteValidation.Check(scheme, bounds);
        TrussShapeValidation.Check(scheme, bounds);
        foreach (var (path, words) in TrussTask.Broken(scheme))
            bounds.Fault(path, words);
        if (bounds.HasErrors || bounds.HasFaults || scheme.Bars.IsEmpty)
            return bounds.Findings;
        foreach (var mechanism in MechanismsOf(scheme))
            bounds.Findings.Add(mechanism);
        return bounds.Findings;
    }

    /// <summary>A repair of one operation.</summary>
    internal static Repair Repair(string label, string op, string path, object? value = null) =>
        new(label, [new(op, path, JsonSerializer.Serialize(value, JsonSerializerOptions.Web))]);

    private static IEnumerable<Finding> MechanismsOf(TrussScheme scheme)
    {
        var model = TrussModel.Of(scheme);
        if (TrussSolver.TryFactorise(model, out _))
            yield break;
        foreach (var mechanism in Mechanisms.Of(model))
        {
            var joint = mechanism.Joints.FirstOrDefault(j => !SitePlaces.IsReserved(model.Joints[j].Id), -1);
            var own = joint < 0 ? -1 : scheme.Joints.Select(j => j.Id).ToList().IndexOf(model.Joints[joint].Id);
            Repair? repair = null;
            if (mechanism.Bar is { } bar)
            {
                var added = scheme.Bars[^1] with { From = model.Joints[bar.From].Id, To = model.Joints[bar.To].Id, Locked = false };
                repair = Repair($"A bar from {added.From} to {added.To}", "add", "/bars/-", added);
            }
            yield return Finding.Fault(
                own < 0 ? "/bars" : $"/joints/{own}",
                mechanism.Words(model),
                "It moves under any load; nothing is worked out until it is held."
            ) with
            {
                Station = model.Joints[mechanism.Joints[0]].At.X,
                Repair = repair,
            };
        }
    }

    /// <summary>JSON can leave null where a part must stand.</summary>
    private static bool IsWhole(TrussScheme scheme, Bounds bounds)
    {
        if (scheme.Format != TrussScheme.FormatName)
            bounds.Error("/format", $"This is not a truss file: the format must be “{TrussScheme.FormatName}”.");
        if (scheme.Version is < 1 or > TrussScheme.CurrentVersion)
            bounds.Error("/version", $"File version {scheme.Version} is not known here; this program reads version 1.");
        (string Path, object? Part)[] parts = [("/site", scheme.Site), ("/rules", scheme.Rules), ("/prices", scheme.Prices)];
        foreach (var (path, _) in parts.Where(p => p.Part is null))
            bounds.Error(path, "This part is missing.");
        if (bounds.HasErrors)
            return false;
        bounds.List("/vehicles", scheme.Vehicles, 20);
        bounds.List("/joints", scheme.Joints, MostJoints);
        bounds.List("/bars", scheme.Bars, MostBars);
        bounds.List("/grades", scheme.Grades, MostOfList);
        bounds.List("/sections", scheme.Sections, 200);
        bounds.List("/site/ground", scheme.Site.Ground, MostOfList);
        if (!scheme.Vehicles.IsDefault)
        {
            for (var i = 0; i < Math.Min(20, scheme.Vehicles.Length); i++)
                bounds.List($"/vehicles/{i}/axles", scheme.Vehicles[i]?.Axles ?? [], 50);
        }
        if (scheme.Task is { } task)
        {
            bounds.List("/task/grades", task.Grades, MostOfList);
            bounds.List("/task/families", task.Families, MostOfList);
        }
        return !bounds.HasErrors;
    }

    /// <summary>Every number and text against the bounds of its entry.</summary>
    private static void Values(TrussScheme scheme, Bounds bounds)
    {
        foreach (var (path, value) in TrussValues.Of(scheme))
        {
            if (TrussEntries.At(path, scheme) is not { } entry)
                bounds.Error(path, "There is no such price in the list.");
            else if (value is string text)
                bounds.Text(path, entry.Label(path), text, entry.Longest);
            else if (value is Enum word && !Enum.IsDefined(word.GetType(), word))
                bounds.Error(path, $"{entry.Label(path)} is not known.");
            else if (value is double number)
                bounds.Between(path, entry.Label(path), number, entry.Least, entry.Greatest, entry.Quantity);
        }
        if (scheme.Picture is { } picture && !TrussPicture.IsHash(picture.Hash ?? ""))
            bounds.Error("/picture/hash", "This is not the name of a kept picture: 32 digits, 0 to 9 and a to f.");
        if (string.IsNullOrWhiteSpace(scheme.Name))
            bounds.Error("/name", "The scheme needs a name.");
    }
}
