using System.Text.Json;
using System.Text.Json.Nodes;

namespace Pravik.Exchange;

/// <summary>Brings documents of older versions to the present one.</summary>
internal static class OlderVersions
{
    /// <summary>The version that a document names, or null where that cannot be seen.</summary>
    public static int? Named(string text)
    {
        try
        {
            using var document = JsonDocument.Parse(text);
            return
                document.RootElement.ValueKind == JsonValueKind.Object
                && document.RootElement.TryGetProperty("version", out var version)
                && version.ValueKind == JsonValueKind.Number
                && version.TryGetInt32(out var number)
                ? number
                : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    /// <summary>
    /// Brings a document of version 1 to 5 to the present one. Throws <see cref="InvalidOperationException"/> or <see
    /// cref="FormatException"/>
    /// for text in a number.
    /// </summary>
    public static JsonNode Upgrade(string text, int version)
    {
        var bridge = JsonNode.Parse(text)!.AsObject();
        if (version == 1)
            FromVersion1(bridge);
        if (version <= 2)
            FromVersion2(bridge);
        if (version <= 3)
            FromVersion3(bridge);
        if (version <= 4)
            FromVersion4(bridge);
        FromVersion5(bridge);
        bridge["version"] = Core.Bridges.Bridge.CurrentVersion;
        return bridge;
    }

    /// <summary>
    /// Version 5 had tendons along a parabola through three levels of each span, with a stress after all losses of 1100 MPa where none was
    /// named: they become points, level where the parabola turns, with kinks over the piers.
    /// </summary>
    private static void FromVersion5(JsonObject bridge)
    {
        if (bridge["girders"] is not JsonObject girders)
            return;
        var spans = (bridge["axes"]?["spans"] as JsonArray)?.Count ?? new Core.Bridges.Axes().Spans.Length;
        foreach (var tendon in (girders["tendons"] as JsonArray ?? []).OfType<JsonObject>())
        {
            var (start, low, end) = (Take(tendon, "startLevel", 0.7), Take(tendon, "lowLevel", 0.15), Take(tendon, "endLevel", 0.7));
            var (at, only) = (Take(tendon, "lowAt", 0.5), (int?)tendon["span"]);
            tendon.Remove("span");
            tendon["effectiveStress"] ??= 1100e6;
            // y = a·t² + b·t + start through the three levels; it turns at −b/2a.
            var a = (low - start - (end - start) * at) / (at * (at - 1));
            var b = end - start - a;
            var turn = a == 0 ? -1 : -b / (2 * a);
            var isLevel = turn is > 0.02 and < 0.98;
            var points = new JsonArray();
            foreach (var span in Enumerable.Range(1, spans).Where(s => only is null || s == only))
            {
                if (points.Count == 0)
                    points.Add(Point(span, 0, start, false));
                points.Add(isLevel ? Point(span, turn, start + b * turn / 2, false) : Point(span, at, low, true));
                points.Add(Point(span, 1, end, only is null && span < spans));
            }
            tendon["points"] = points;
        }

        static JsonObject Point(int span, double at, double level, bool kink) =>
            new()
            {
                ["span"] = span,
                ["at"] = at,
                ["level"] = level,
                ["kink"] = kink,
            };
    }

    /// <summary>Version 4 knew no losses of prestress: where no stress after losses was named it was 1050 MPa.</summary>
    private static void FromVersion4(JsonObject bridge)
    {
        if (!bridge.ContainsKey("girders"))
            bridge["girders"] = new JsonObject();
        if (bridge["girders"] is not JsonObject girders)
            return;
        if (!girders.ContainsKey("types"))
            girders["types"] = new JsonArray(new JsonObject { ["name"] = Core.Bridges.GirderType.UsualName });
        foreach (var type in (girders["types"] as JsonArray ?? []).OfType<JsonObject>())
        {
            if (!type.ContainsKey("strands"))
                type["strands"] = new JsonObject();
            if (type["strands"] is JsonObject strands && !strands.ContainsKey("effectiveStress"))
                strands["effectiveStress"] = 1050e6;
        }
    }

    /// <summary>
    /// Version 3 had one section, one layout of strands, one rule for the haunch and one concrete for all girders: they become the first
    /// type.
    /// </summary>
    private static void FromVersion3(JsonObject bridge)
    {
        var type = new JsonObject { ["name"] = Core.Bridges.GirderType.UsualName };
        if (bridge["girders"] is JsonObject girders)
        {
            foreach (var name in new[] { "section", "strands", "camber", "laterDeflection", "greatestHaunch" })
            {
                if (!girders.TryGetPropertyValue(name, out var value))
                    continue;
                girders.Remove(name);
                type[name] = value;
            }
            girders["types"] = new JsonArray(type);
        }
        if (bridge["materials"] is not JsonObject materials || !materials.TryGetPropertyValue("girder", out var concrete))
            return;
        materials.Remove("girder");
        type["concrete"] = concrete;
        if (bridge["girders"] is null)
            bridge["girders"] = new JsonObject { ["types"] = new JsonArray(type) };
    }

    /// <summary>
    /// Version 2 had one cross-section, which becomes the first pattern, outlines within parapets, which become profiles of the bridge,
    /// and the girders'
    /// section in the girders.
    /// </summary>
    private static void FromVersion2(JsonObject bridge)
    {
        var profiles = new JsonArray();
        foreach (var parapet in (bridge["parapets"] as JsonArray ?? []).OfType<JsonObject>())
        {
            var outline = parapet["outline"] as JsonArray;
            parapet.Remove("outline");
            if (outline is null or { Count: 0 })
                continue;
            var name = $"Own outline {profiles.Count + 1}";
            profiles.Add(
                new JsonObject
                {
                    ["name"] = name,
                    ["outline"] = new JsonArray([
                        .. outline.Select(p => (JsonNode)new JsonObject { ["across"] = p![0]!.DeepClone(), ["up"] = p[1]!.DeepClone() }),
                    ]),
                }
            );
            parapet["profile"] = name;
        }
        if (profiles.Count > 0)
            bridge["profiles"] = profiles;
        if (bridge["girders"] is JsonObject girders && girders["section"] is JsonObject old)
        {
            girders.Remove("section");
            var sizes = new JsonObject();
            foreach (
                var (name, now) in new[]
                {
                    ("depth", "depth"),
                    ("topFlangeWidth", "topWidth"),
                    ("topFlangeThickness", "topThickness"),
                    ("topTaper", "topTaper"),
                    ("webThickness", "web"),
                    ("bottomTaper", "bottomTaper"),
                    ("bottomFlangeThickness", "bottomThickness"),
                    ("bottomFlangeWidth", "bottomWidth"),
                }
            )
            {
                if (old[name] is { } size)
                    sizes[now] = size.DeepClone();
            }
            bridge["sections"] = new JsonArray(new JsonObject { ["name"] = "Precast I", ["sizes"] = sizes });
        }
        if (bridge["deck"] is not JsonObject deck)
            return;
        var (pattern, slab) = (new JsonObject(), new JsonObject());
        Move("left", pattern, "left");
        Move("right", pattern, "right");
        Move("surfacing", pattern, "surfacing");
        Move("slabThickness", slab, "thickness");
        pattern["slab"] = slab;
        deck["patterns"] = new JsonArray(pattern);

        void Move(string name, JsonObject to, string newName)
        {
            if (!deck.TryGetPropertyValue(name, out var value))
                return;
            deck.Remove(name);
            to[newName] = value;
        }
    }

    /// <summary>
    /// Version 1 had one straight or arc with one grade: <c>length</c>, <c>radius</c>, <c>startLevel</c> and <c>grade</c> become one
    /// element and two
    /// profile points; the weights of the parapets move to the parapets.
    /// </summary>
    private static void FromVersion1(JsonObject bridge)
    {
        if (bridge["loads"] is JsonObject loads)
            bridge["parapets"] = new JsonArray([
                .. new[] { "Left", "Right" }.Select(side =>
                    (JsonNode)new JsonObject { ["side"] = side.ToLowerInvariant(), ["weight"] = Take(loads, $"parapet{side}", 1000) }
                ),
            ]);
        if (bridge["road"] is not JsonObject road)
            return;
        var radius = road["radius"]?.DeepClone();
        road.Remove("radius");
        var (start, length) = (road["startStation"]?.GetValue<double>() ?? 0, Take(road, "length", 200));
        var (level, grade) = (Take(road, "startLevel", 0), Take(road, "grade", 0));
        road["elements"] = new JsonArray(
            new JsonObject
            {
                ["length"] = length,
                ["startRadius"] = radius,
                ["endRadius"] = radius?.DeepClone(),
            }
        );
        road["profile"] = new JsonArray(
            new JsonObject { ["station"] = start, ["level"] = level },
            new JsonObject { ["station"] = start + length, ["level"] = level + grade * length }
        );
    }

    private static double Take(JsonObject from, string name, double usual)
    {
        var value = from[name]?.GetValue<double>() ?? usual;
        from.Remove(name);
        return value;
    }
}
