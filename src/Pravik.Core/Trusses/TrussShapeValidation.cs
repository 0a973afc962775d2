using Pravik.Core.Geometry;
using Pravik.Core.Units;
using Pravik.Core.Validation;

namespace Pravik.Core.Trusses;

/// <summary>Whether joints and bars lie where they can.</summary>
internal static class TrussShapeValidation
{
    public static void Check(TrussScheme scheme, Bounds bounds)
    {
        var places = new SitePlaces(scheme.Site);
        var at = places.Joints.ToDictionary(j => j.Id, j => j.At);
        Joints(scheme, places, at, bounds);
        if (bounds.HasErrors)
            return;
        Bars(scheme, places, at, bounds);
        for (var i = 0; i < scheme.Sections.Length; i++)
        {
            if (scheme.Sections.Take(i).Any(s => s.Name == scheme.Sections[i].Name))
                bounds.Error($"/sections/{i}/name", $"There are two own sections named “{scheme.Sections[i].Name}”.");
            if (scheme.Sections[i].Curve is not ("" or "a0" or "a" or "b" or "c" or "d"))
                bounds.Error($"/sections/{i}/curve", "A buckling curve is a0, a, b, c or d, or empty for a bar that does not buckle.");
        }
        for (var i = 0; i < scheme.Grades.Length; i++)
        {
            if (BarCatalogue.GradesOf(scheme).Count(g => g.Name == scheme.Grades[i].Name) > 1)
                bounds.Error($"/grades/{i}/name", $"There are two grades named “{scheme.Grades[i].Name}”.");
        }
    }

    private static void Joints(TrussScheme scheme, SitePlaces places, Dictionary<string, Point> at, Bounds bounds)
    {
        var units = UnitSystem.Named(scheme.Units);
        string Length(double x) => units.FormatWithUnit(x, QuantityKind.Length);
        for (var i = 0; i < scheme.Joints.Length; i++)
        {
            var (joint, path) = (scheme.Joints[i], $"/joints/{i}");
            Point here = new(joint.X, joint.Z);
            if (joint.Id.Length == 0 || !joint.Id.All(char.IsAsciiLetterOrDigit))
                bounds.Error($"{path}/id", $"“{joint.Id}” cannot name a joint: take letters and digits.");
            else if (SitePlaces.IsReserved(joint.Id))
                bounds.Error($"{path}/id", $"{joint.Id} is a name that the site gives; take another.");
            else if (at.FirstOrDefault(other => Point.Distance(other.Value, here) < 0.01) is { Key: not null } same)
                bounds.Fault(
                    path,
                    $"Joint {joint.Id} lies on joint {same.Key}.",
                    Unused(scheme, joint.Id) ? TrussValidation.Repair($"Take {joint.Id} away", "remove", path) : null
                );
            if (!at.TryAdd(joint.Id, here))
                bounds.Error($"{path}/id", $"There are two joints named {joint.Id}.");
            if (joint.Z < places.DugAt(joint.X) - 1e-9)
            {
                var level = Math.Ceiling(places.DugAt(joint.X) * 10) / 10;
                bounds.Fault(
                    path,
                    $"Joint {joint.Id} lies in the ground, which is at {Length(places.DugAt(joint.X))} there.",
                    TrussValidation.Repair($"Up to {Length(level)}", "replace", $"{path}/z", level)
                );
            }
            else if (scheme.Site.Clearance is { } clear && IsIn(clear, here))
                bounds.Fault(
                    path,
                    $"Joint {joint.Id} lies in the clearance, which is kept free up to {Length(clear.Top)}.",
                    TrussValidation.Repair($"Up to {Length(clear.Top)}", "replace", $"{path}/z", clear.Top)
                );
            if (scheme.Site.Planes == PlanePlace.Under && joint.Z > scheme.Site.Road && IsOverDeck(scheme.Site, joint.X))
                bounds.Fault(
                    path,
                    $"Joint {joint.Id} reaches into the room of vehicles: the planes stand beneath the deck.",
                    TrussValidation.Repair("Planes at the edges of the deck", "replace", "/site/planes", "beside")
                );
        }
        Unbraced(scheme, bounds);
    }

    /// <summary>Joints beside the road that are too low for bracing over it, told together.</summary>
    private static void Unbraced(TrussScheme scheme, Bounds bounds)
    {
        var (road, headroom) = (scheme.Site.Road, scheme.Site.Headroom);
        var low = scheme.Joints.Where(j => j.Z > road && j.Z < road + headroom && IsOverDeck(scheme.Site, j.X)).Select(j => j.Id).ToList();
        if (low.Count > 0 && scheme.Site.Planes == PlanePlace.Beside)
            bounds.Warning(
                "/joints",
                $"No bracing fits between the planes over the road at {string.Join(", ", low)}: they lie below the headroom.",
                "They are taken as held sideways, as by stiff uprights; that is not checked."
            );
    }

    private static void Bars(TrussScheme scheme, SitePlaces places, Dictionary<string, Point> at, Bounds bounds)
    {
        var seen = new HashSet<(string, string)>();
        for (var i = 0; i < scheme.Bars.Length; i++)
        {
            var (bar, path) = (scheme.Bars[i], $"/bars/{i}");
            var away = TrussValidation.Repair($"Take bar {i + 1} away", "remove", path);
            if (Missing(at, bar) is { } missing)
            {
                bounds.Fault(path, $"Bar {i + 1} goes to joint {missing}, which there is not.", away);
                continue;
            }
            if (Point.Distance(at[bar.From], at[bar.To]) < 0.01)
                bounds.Fault(path, $"Bar {i + 1} has no length.", away);
            else if (!seen.Add(bar.Ends))
                bounds.Fault(path, $"Bar {i + 1} joins {bar.From} and {bar.To}, which another bar does already.", away);
            else
                Lies(scheme, places, at, i, bounds);
            Section(scheme, bar, path, i, bounds);
        }
    }

    /// <summary>Whether a bar keeps out of ground, clearance and other joints.</summary>
    private static void Lies(TrussScheme scheme, SitePlaces places, Dictionary<string, Point> at, int i, Bounds bounds)
    {
        var (bar, path) = (scheme.Bars[i], $"/bars/{i}");
        var (a, b) = (at[bar.From], at[bar.To]);
        var name = $"Bar {i + 1} from {bar.From} to {bar.To}";
        if (InGround(places, a, b) is { } x)
            bounds.Fault(
                path,
                $"{name} runs through the ground at {UnitSystem.Named(scheme.Units).FormatWithUnit(x, QuantityKind.Length)}."
            );
        if (scheme.Site.Clearance is { } clear && Crosses(clear, a, b))
            bounds.Fault(path, $"{name} crosses the clearance.");
        foreach (var (id, joint) in at)
        {
            if (id != bar.From && id != bar.To && Segments.Distance(joint, a, b) < 0.01 && IsUsed(scheme, id))
                bounds.Fault(
                    path,
                    $"{name} runs over joint {id} without being joined to it.",
                    new(
                        $"Two bars, joined at {id}",
                        [
                            .. TrussValidation.Repair("", "replace", $"{path}/to", id).Patch,
                            .. TrussValidation.Repair("", "add", "/bars/-", bar with { From = id }).Patch,
                        ]
                    )
                );
        }
    }

    private static void Section(TrussScheme scheme, TrussBar bar, string path, int i, Bounds bounds)
    {
        var grade = BarCatalogue.Grade(scheme, bar.Grade);
        var section = BarCatalogue.Section(scheme, bar.Family, bar.Size);
        if (grade is null)
            bounds.Fault($"{path}/grade", $"Bar {i + 1}: there is no grade “{bar.Grade}”.");
        if (section is null)
            bounds.Fault($"{path}/size", $"Bar {i + 1}: there is no size “{bar.Size}” in the family “{bar.Family}”.");
        if (grade is not null && section is not null && !section.IsWholeInCompression(grade))
            bounds.Fault(
                $"{path}/grade",
                $"Bar {i + 1}: the walls of {bar.Size} are of class 4 in {bar.Grade}; local buckling is not covered.",
                TrussValidation.Repair("S355", "replace", $"{path}/grade", "S355")
            );
    }

    private static string? Missing(Dictionary<string, Point> at, TrussBar bar) =>
        !at.ContainsKey(bar.From) ? bar.From
        : !at.ContainsKey(bar.To) ? bar.To
        : null;

    private static bool IsOverDeck(TrussSite site, double x) => x > 1e-6 && x < site.Opening - 1e-6;

    private static bool IsIn(TrussClearance clear, Point at) =>
        at.X > clear.From + 1e-9 && at.X < clear.To - 1e-9 && at.Y < clear.Top - 1e-9;

    private static bool Unused(TrussScheme scheme, string id) => scheme.Bars.All(b => b.From != id && b.To != id);

    private static bool IsUsed(TrussScheme scheme, string id) => !Unused(scheme, id);

    /// <summary>A place at which a bar lies in the ground; null where it does not. Read at its ends and where the ground bends.</summary>
    private static double? InGround(SitePlaces places, Point a, Point b)
    {
        var (left, right) = a.X <= b.X ? (a, b) : (b, a);
        if (right.X - left.X < 1e-9)
            return null;
        foreach (var ground in places.Dug.Where(g => g.X > left.X && g.X < right.X))
        {
            var z = left.Y + (right.Y - left.Y) * (ground.X - left.X) / (right.X - left.X);
            if (z < ground.Y - 1e-3)
                return ground.X;
        }
        return null;
    }

    /// <summary>Whether a bar enters a clearance, whose sides and top may be touched.</summary>
    private static bool Crosses(TrussClearance clear, Point a, Point b)
    {
        var (left, right) = a.X <= b.X ? (a, b) : (b, a);
        var (from, to) = (Math.Max(left.X, clear.From), Math.Min(right.X, clear.To));
        if (to - from < 1e-6)
            return right.X - left.X < 1e-6 && IsIn(clear, new(left.X, Math.Min(a.Y, b.Y)));
        double Level(double x) => left.Y + (right.Y - left.Y) * (x - left.X) / (right.X - left.X);
        return Math.Min(Level(from), Level(to)) < clear.Top - 1e-6;
    }
}
