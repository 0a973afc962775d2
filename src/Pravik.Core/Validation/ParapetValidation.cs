using Pravik.Core.Bridges;

namespace Pravik.Core.Validation;

/// <summary>The bounds of parapets and of own profiles.</summary>
internal static class ParapetValidation
{
    /// <summary>One profile; its path is empty where it stands alone, as in a library.</summary>
    public static void Profile(OwnProfile profile, string path, Bounds bounds)
    {
        var entry = path.Length == 0 ? "/profiles/0" : path;
        bounds.Text($"{path}/name", profile.Name, $"{entry}/name");
        if (string.IsNullOrWhiteSpace(profile.Name))
            bounds.Error($"{path}/name", "The profile needs a name.");
        if (profile.Outline.Length is < 3 or > 100)
            bounds.Error($"{path}/outline", "An outline has 3 to 100 corners.");
        for (var i = 0; i < profile.Outline.Length; i++)
        {
            bounds.Check($"{path}/outline/{i}/across", profile.Outline[i].Across, entry: $"{entry}/outline/{i}/across");
            bounds.Check($"{path}/outline/{i}/up", profile.Outline[i].Up, entry: $"{entry}/outline/{i}/up");
        }
        bounds.Check($"{path}/weight", profile.Weight, entry: $"{entry}/weight");
        if (!bounds.HasErrors && ParapetProfile.Of(profile).Outlines[0].Triangulate() is null)
            bounds.Error($"{path}/outline", $"The outline of “{profile.Name}” crosses itself or has no area.");
    }

    public static void Check(Bridge bridge, Bounds bounds)
    {
        for (var i = 0; i < bridge.Profiles.Length; i++)
        {
            Profile(bridge.Profiles[i], $"/profiles/{i}", bounds);
            if (
                ParapetProfile.Library.Any(p => p.Name == bridge.Profiles[i].Name)
                || bridge.Profiles.Take(i).Any(p => p.Name == bridge.Profiles[i].Name)
            )
                bounds.Error($"/profiles/{i}/name", $"There are two profiles named “{bridge.Profiles[i].Name}”.");
        }
        for (var i = 0; i < bridge.Parapets.Length; i++)
        {
            var (parapet, path) = (bridge.Parapets[i], $"/parapets/{i}");
            bounds.Known($"{path}/side", parapet.Side);
            bounds.Among(
                $"{path}/profile",
                parapet.Profile ?? "",
                [.. bridge.Profiles.Select(p => p.Name), .. ParapetProfile.Library.Select(p => p.Name)]
            );
            var most = bridge.Deck.Patterns.Max(p =>
                parapet.Side switch
                {
                    ParapetSide.Left => p.Left.Length,
                    ParapetSide.Right => p.Right.Length,
                    _ => Math.Min(p.Left.Length, p.Right.Length),
                }
            );
            if (parapet.Boundary is { } boundary && (boundary < 0 || boundary > most))
                bounds.Error($"{path}/boundary", $"Boundaries of strips are counted from 0 at the road line to {most} at the edge.");
            bounds.Check($"{path}/across", parapet.Across);
            bounds.Check($"{path}/rise", parapet.Rise);
            bounds.Check($"{path}/extraDepth", parapet.ExtraDepth);
            bounds.Check($"{path}/from", parapet.From);
            bounds.Check($"{path}/to", parapet.To);
            if (parapet.From >= parapet.To)
                bounds.Error($"{path}/to", "The parapet ends before it begins.");
            bounds.Check($"{path}/weight", parapet.Weight);
            bounds.Check($"{path}/impact", parapet.Impact);
        }
    }
}
