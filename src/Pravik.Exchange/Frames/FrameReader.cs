using System.Collections.Immutable;
using System.Text.Json;
using Pravik.Core.Frames;

namespace Pravik.Exchange.Frames;

/// <summary>Reads frame models (docs/frame-model.md). Never throws on bad input.</summary>
public sealed class FrameReader
{
    /// <summary>Name of the format.</summary>
    public const string FormatName = "pravik-frame";

    /// <summary>Its version.</summary>
    public const int CurrentVersion = 1;
    private static readonly string[] Components = ["ux", "uy", "uz", "rx", "ry", "rz"];
    private static readonly string[] LoadComponents = ["fx", "fy", "fz", "mx", "my", "mz"];
    private static readonly string[] Axes = ["global", "local"];
    private readonly FrameFile file = new();
    private readonly Dictionary<string, Dictionary<string, int>> ids = [];

    private FrameReader() { }

    /// <summary>Reads a frame model, or tells its problems by their places. Never throws.</summary>
    public static FrameReading Read(ReadOnlyMemory<byte> text)
    {
        try
        {
            using var document = JsonDocument.Parse(text, new() { AllowDuplicateProperties = false });
            return new FrameReader().Read(document.RootElement);
        }
        catch (JsonException problem)
        {
            return new(null, [new("", $"This is not JSON: {problem.Message}")]);
        }
    }

    private FrameReading Read(JsonElement root)
    {
        if (
            !file.IsObject(
                root,
                "",
                "format",
                "version",
                "materials",
                "sections",
                "nodes",
                "beams",
                "shells",
                "springs",
                "supports",
                "links",
                "cases"
            )
        )
            return new(null, file.Problems);
        if (file.Text(root, "", "format") is { Length: > 0 } format && format != FormatName)
            file.Wrong("/format", $"The format must be “{FormatName}”; “{format}” was given.");
        if (file.Number(root, "", "version") is not CurrentVersion and var version && file.Problems.Count == 0)
            file.Wrong("/version", $"Version {version:R} is not known here; this program reads version {CurrentVersion}.");
        // Names first, so that parts may stand in any order.
        foreach (var list in new[] { "materials", "sections", "nodes", "beams", "shells", "springs", "cases" })
            Names(root, list);
        var model = new FrameModel
        {
            Materials = All(root, "materials", Material),
            Sections = All(root, "sections", Section),
            Nodes = All(root, "nodes", (n, p, id) => Node(n, p, id)),
            Beams = All(root, "beams", Beam),
            Shells = All(root, "shells", Shell),
            Springs = All(root, "springs", Spring),
            Supports = [.. file.List(root, "", "supports").Select(s => Support(s.Item, s.Path)).OfType<FrameSupport>()],
            Links = [.. file.List(root, "", "links").Select(l => Link(l.Item, l.Path)).OfType<FrameLink>()],
            Cases = All(root, "cases", Case),
        };
        if (file.Problems.Count == 0 && model.Nodes.IsEmpty)
            file.Wrong("/nodes", "The model has no nodes.");
        if (file.Problems.Count == 0)
            file.Problems.AddRange(FrameChecks.Check(model));
        return file.Problems.Count == 0 ? new(model, []) : new(null, file.Problems);
    }

    private void Names(JsonElement root, string list)
    {
        var known = ids[list] = [];
        if (!root.TryGetProperty(list, out var items) || items.ValueKind != JsonValueKind.Array)
            return;
        var i = 0;
        foreach (var item in items.EnumerateArray())
        {
            if (
                item.ValueKind == JsonValueKind.Object
                && item.TryGetProperty("id", out var id)
                && id.ValueKind == JsonValueKind.String
                && !known.TryAdd(id.GetString()!, i)
            )
                file.Wrong($"/{list}/{i}/id", $"“{id.GetString()}” is there twice in {list}.");
            i++;
        }
    }

    private ImmutableArray<T> All<T>(JsonElement root, string list, Func<JsonElement, string, string, T?> read)
        where T : class
    {
        var result = ImmutableArray.CreateBuilder<T>();
        foreach (var (item, path) in file.List(root, "", list))
        {
            if (item.ValueKind != JsonValueKind.Object)
                file.IsObject(item, path);
            else if (read(item, path, file.Text(item, path, "id")) is { } made)
                result.Add(made);
        }
        return result.ToImmutable();
    }

    private int Reference(JsonElement item, string path, string name, string list)
    {
        var text = file.Text(item, path, name);
        if (ids[list].TryGetValue(text, out var at))
            return at;
        if (text.Length > 0)
            file.Wrong($"{path}/{name}", $"There is no “{text}” in {list}.");
        return 0;
    }

    private FrameMaterial Material(JsonElement m, string path, string id)
    {
        file.IsObject(m, path, "id", "E", "nu", "density", "alpha");
        var nu = file.Between(m, path, "nu", -0.999, 0.499);
        return new(id, file.Positive(m, path, "E"), nu, file.Positive(m, path, "density", 0, true), file.Number(m, path, "alpha", 0));
    }

    private FrameSection Section(JsonElement s, string path, string id)
    {
        file.IsObject(s, path, "id", "A", "Iy", "Iz", "J", "Avy", "Avz");
        return new(
            id,
            file.Positive(s, path, "A"),
            file.Positive(s, path, "Iy", null, true),
            file.Positive(s, path, "Iz", null, true),
            file.Positive(s, path, "J", null, true),
            file.Positive(s, path, "Avy", 0, true),
            file.Positive(s, path, "Avz", 0, true)
        );
    }

    private FrameNode Node(JsonElement n, string path, string id)
    {
        file.IsObject(n, path, "id", "x", "y", "z");
        return new(id, new(file.Number(n, path, "x"), file.Number(n, path, "y"), file.Number(n, path, "z")));
    }

    private FrameBeam Beam(JsonElement b, string path, string id)
    {
        file.IsObject(b, path, "id", "i", "j", "material", "section", "up", "offsetI", "offsetJ", "releaseI", "releaseJ");
        return new(
            id,
            Reference(b, path, "i", "nodes"),
            Reference(b, path, "j", "nodes"),
            Reference(b, path, "material", "materials"),
            Reference(b, path, "section", "sections")
        )
        {
            Up = file.Direction(b, path, "up"),
            OffsetI = file.Vector(b, path, "offsetI") ?? default,
            OffsetJ = file.Vector(b, path, "offsetJ") ?? default,
            ReleaseI = [.. file.Directions(b, path, "releaseI")],
            ReleaseJ = [.. file.Directions(b, path, "releaseJ")],
        };
    }

    private FrameShell Shell(JsonElement s, string path, string id)
    {
        file.IsObject(s, path, "id", "nodes", "material", "thickness");
        var nodes = file.List(s, path, "nodes");
        if (nodes.Count is not (3 or 4))
            file.Wrong($"{path}/nodes", $"A shell has three or four nodes; {nodes.Count} were given.");
        List<int> corners = [];
        foreach (var (item, at) in nodes)
        {
            if (item.ValueKind != JsonValueKind.String)
                file.Wrong(at, "The id of a node is expected here.");
            else if (ids["nodes"].TryGetValue(item.GetString()!, out var node))
                corners.Add(node);
            else
                file.Wrong(at, $"There is no “{item.GetString()}” in nodes.");
        }
        return new(id, [.. corners], Reference(s, path, "material", "materials"), file.Positive(s, path, "thickness"));
    }

    private FrameSpring Spring(JsonElement s, string path, string id)
    {
        file.IsObject(s, path, ["id", "i", "j", "x", "up", .. Components]);
        return new(
            id,
            Reference(s, path, "i", "nodes"),
            Reference(s, path, "j", "nodes"),
            [.. Components.Select(c => file.Positive(s, path, c, 0, true))]
        )
        {
            X = file.Direction(s, path, "x"),
            Up = file.Direction(s, path, "up"),
        };
    }

    private FrameSupport? Support(JsonElement s, string path)
    {
        if (!file.IsObject(s, path, "node", "fix", "springs", "x", "up"))
            return null;
        var springs = new double[6];
        if (s.TryGetProperty("springs", out var given) && file.IsObject(given, $"{path}/springs", Components))
            springs = [.. Components.Select(c => file.Positive(given, $"{path}/springs", c, 0, true))];
        return new(Reference(s, path, "node", "nodes"), [.. file.Directions(s, path, "fix")], [.. springs])
        {
            X = file.Direction(s, path, "x"),
            Up = file.Direction(s, path, "up"),
        };
    }

    private FrameLink? Link(JsonElement l, string path) =>
        file.IsObject(l, path, "master", "slave") ? new(Reference(l, path, "master", "nodes"), Reference(l, path, "slave", "nodes")) : null;

    private FrameCase Case(JsonElement c, string path, string id)
    {
        file.IsObject(c, path, "id", "gravity", "nodal", "beam", "shell", "thermal", "settlement");
        var thermal = file.List(c, path, "thermal")
            .Where(t => t.Item.ValueKind == JsonValueKind.Object || !file.IsObject(t.Item, t.Path))
            .Where(t => t.Item.ValueKind == JsonValueKind.Object)
            .ToLookup(t => t.Item.TryGetProperty("shell", out _));
        return new(id)
        {
            Gravity = file.Vector(c, path, "gravity") ?? default,
            Nodal =
            [
                .. Items(
                    "nodal",
                    (n, p) =>
                        file.IsObject(n, p, ["node", .. LoadComponents])
                            ? new NodalLoad(
                                Reference(n, p, "node", "nodes"),
                                file.Parts(n, p, "fx", "fy", "fz"),
                                file.Parts(n, p, "mx", "my", "mz")
                            )
                            : null
                ),
            ],
            Beams = [.. Items("beam", BeamLoad)],
            Shells =
            [
                .. Items(
                    "shell",
                    (s, p) =>
                        file.IsObject(s, p, "shell", "axes", "px", "py", "pz")
                            ? new ShellLoad(Reference(s, p, "shell", "shells"), file.Parts(s, p, "px", "py", "pz"))
                            {
                                IsLocal = file.Choice(s, p, "axes", Axes, "global") == 1,
                            }
                            : null
                ),
            ],
            BeamThermal =
            [
                .. thermal[false]
                    .Select(t =>
                        file.IsObject(t.Item, t.Path, "beam", "uniform", "gradientY", "gradientZ")
                            ? new BeamThermal(
                                Reference(t.Item, t.Path, "beam", "beams"),
                                file.Number(t.Item, t.Path, "uniform", 0),
                                file.Number(t.Item, t.Path, "gradientY", 0),
                                file.Number(t.Item, t.Path, "gradientZ", 0)
                            )
                            : null
                    )
                    .OfType<BeamThermal>(),
            ],
            ShellThermal =
            [
                .. thermal[true]
                    .Select(t =>
                        file.IsObject(t.Item, t.Path, "shell", "uniform", "gradient")
                            ? new ShellThermal(
                                Reference(t.Item, t.Path, "shell", "shells"),
                                file.Number(t.Item, t.Path, "uniform", 0),
                                file.Number(t.Item, t.Path, "gradient", 0)
                            )
                            : null
                    )
                    .OfType<ShellThermal>(),
            ],
            Settlements =
            [
                .. Items(
                    "settlement",
                    (s, p) =>
                        file.IsObject(s, p, ["node", .. Components])
                            ? new Settlement(
                                Reference(s, p, "node", "nodes"),
                                file.Parts(s, p, "ux", "uy", "uz"),
                                file.Parts(s, p, "rx", "ry", "rz")
                            )
                            : null
                ),
            ],
        };

        IEnumerable<T> Items<T>(string name, Func<JsonElement, string, T?> read)
            where T : class => file.List(c, path, name).Select(i => read(i.Item, i.Path)).OfType<T>();
    }

    private BeamLoad? BeamLoad(JsonElement l, string path)
    {
        if (l.ValueKind != JsonValueKind.Object)
        {
            file.IsObject(l, path);
            return null;
        }
        var isPoint = file.Choice(l, path, "kind", ["distributed", "point"]) == 1;
        file.IsObject(
            l,
            path,
            ["beam", "kind", "component", "axes", .. isPoint ? new[] { "at", "value" } : ["from", "to", "start", "end"]]
        );
        var (beam, direction, isLocal) = (
            Reference(l, path, "beam", "beams"),
            (FrameDirection)file.Choice(l, path, "component", LoadComponents),
            file.Choice(l, path, "axes", Axes, "global") == 1
        );
        if (isPoint)
        {
            var at = file.Between(l, path, "at", 0, 1);
            return Core.Frames.BeamLoad.Point(beam, direction, at, file.Number(l, path, "value")) with { IsLocal = isLocal };
        }
        var (from, to) = (file.Between(l, path, "from", 0, 1), file.Between(l, path, "to", 0, 1));
        if (from >= to && file.Problems.Count == 0)
            file.Wrong($"{path}/to", "The load ends before it begins.");
        return new(beam, direction, from, to, file.Number(l, path, "start"), file.Number(l, path, "end")) { IsLocal = isLocal };
    }
}
