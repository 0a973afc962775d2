using System.Buffers.Binary;
using System.Text;
using System.Text.Json.Nodes;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Solids;

namespace Pravik.Exchange.Gltf;

/// <summary>
/// Writes a bridge, and the ground about it, as binary glTF 2.0. Axes of glTF: x east, y up, z south; coordinates are relative to an
/// origin near
/// the bridge that stands in <c>asset.extras</c>, since single precision would lose millimetres on a national grid. Nodes carry the
/// part's path
/// and kind as extras.
/// </summary>
public sealed class GltfWriter
{
    private const double GroundReach = 60;
    private static readonly (SolidKind Kind, double[] Colour)[] Looks =
    [
        (SolidKind.Slab, [0.80, 0.79, 0.75]),
        (SolidKind.Thickenings, [0.80, 0.79, 0.75]),
        (SolidKind.Surfacing, [0.33, 0.35, 0.36]),
        (SolidKind.Footways, [0.70, 0.66, 0.58]),
        (SolidKind.EdgeBeams, [0.86, 0.84, 0.79]),
        (SolidKind.Girders, [0.90, 0.89, 0.86]),
        (SolidKind.Haunches, [0.82, 0.81, 0.77]),
        (SolidKind.Diaphragms, [0.80, 0.79, 0.75]),
        (SolidKind.Frames, [0.42, 0.47, 0.48]),
        (SolidKind.Stiffeners, [0.50, 0.54, 0.54]),
        (SolidKind.Bearings, [0.24, 0.27, 0.30]),
        (SolidKind.Plinths, [0.84, 0.83, 0.79]),
        (SolidKind.Abutments, [0.78, 0.77, 0.73]),
        (SolidKind.WingWalls, [0.76, 0.75, 0.71]),
        (SolidKind.ApproachSlabs, [0.72, 0.71, 0.68]),
        (SolidKind.Piers, [0.82, 0.81, 0.78]),
        (SolidKind.Crossheads, [0.82, 0.81, 0.78]),
        (SolidKind.Foundations, [0.70, 0.69, 0.66]),
        (SolidKind.Piles, [0.66, 0.65, 0.62]),
        (SolidKind.Parapets, [0.93, 0.92, 0.89]),
        (SolidKind.Strands, [0.22, 0.33, 0.38]),
        (SolidKind.Bars, [0.50, 0.30, 0.20]),
        (SolidKind.Tendons, [0.30, 0.26, 0.40]),
        (SolidKind.Ground, [0.85, 0.82, 0.72]),
    ];

    private readonly Point3 origin;
    private readonly MemoryStream binary = new();
    private readonly JsonArray nodes = [];
    private readonly JsonArray meshes = [];
    private readonly JsonArray views = [];
    private readonly JsonArray accessors = [];

    private GltfWriter(Point3 origin) => this.origin = origin;

    /// <summary>The bridge as binary glTF, on its ground where there is one.</summary>
    public static byte[] Write(BridgeGeometry geometry, Ground? ground)
    {
        var middle = (geometry.FirstStation + geometry.LastStation) / 2;
        var at = geometry.Road.At(middle);
        var writer = new GltfWriter(new(Math.Round(at.X), Math.Round(at.Y), Math.Round(geometry.Road.Level(middle))));
        foreach (
            var part in new BridgeSolids(geometry).All().Concat(new SteelSolids(geometry).All()).Concat(SupportSolids.All(geometry, ground))
        )
            writer.Add(part.Path, part.Kind, part.Name, part.Solid.Points, part.Solid.Triangles);
        if (ground is not null)
            writer.AddGround(geometry, ground);
        return writer.Finish(geometry);
    }

    private void Add(string path, SolidKind kind, string name, IReadOnlyList<Point3> points, IReadOnlyList<int> triangles)
    {
        if (triangles.Count == 0)
            return;
        var positions = AddPositions(points);
        var start = (int)binary.Length;
        Span<byte> four = stackalloc byte[4];
        foreach (var index in triangles)
        {
            BinaryPrimitives.WriteInt32LittleEndian(four, index);
            binary.Write(four);
        }
        views.Add(
            new JsonObject
            {
                ["buffer"] = 0,
                ["byteOffset"] = start,
                ["byteLength"] = (int)binary.Length - start,
                ["target"] = 34963,
            }
        );
        accessors.Add(
            new JsonObject
            {
                ["bufferView"] = views.Count - 1,
                ["componentType"] = 5125,
                ["count"] = triangles.Count,
                ["type"] = "SCALAR",
            }
        );
        var material = Array.FindIndex(Looks, l => l.Kind == kind);
        meshes.Add(
            new JsonObject
            {
                ["name"] = name,
                ["primitives"] = new JsonArray(
                    new JsonObject
                    {
                        ["attributes"] = new JsonObject { ["POSITION"] = positions },
                        ["indices"] = accessors.Count - 1,
                        ["material"] = material,
                    }
                ),
            }
        );
        nodes.Add(
            new JsonObject
            {
                ["name"] = name,
                ["mesh"] = meshes.Count - 1,
                ["extras"] = new JsonObject { ["part"] = path, ["kind"] = kind.Words() },
            }
        );
    }

    private int AddPositions(IReadOnlyList<Point3> points)
    {
        var start = (int)binary.Length;
        Span<byte> four = stackalloc byte[4];
        float[] least = [float.MaxValue, float.MaxValue, float.MaxValue],
            most = [float.MinValue, float.MinValue, float.MinValue];
        foreach (var point in points)
        {
            var p = point - origin;
            ReadOnlySpan<float> values = [(float)p.X, (float)p.Z, (float)-p.Y];
            for (var i = 0; i < 3; i++)
            {
                (least[i], most[i]) = (Math.Min(least[i], values[i]), Math.Max(most[i], values[i]));
                BinaryPrimitives.WriteSingleLittleEndian(four, values[i]);
                binary.Write(four);
            }
        }
        views.Add(
            new JsonObject
            {
                ["buffer"] = 0,
                ["byteOffset"] = start,
                ["byteLength"] = (int)binary.Length - start,
                ["target"] = 34962,
            }
        );
        accessors.Add(
            new JsonObject
            {
                ["bufferView"] = views.Count - 1,
                ["componentType"] = 5126,
                ["count"] = points.Count,
                ["type"] = "VEC3",
                ["min"] = Numbers(least),
                ["max"] = Numbers(most),
            }
        );
        return accessors.Count - 1;
    }

    /// <summary>The triangles that have a corner within reach of the bridge.</summary>
    private void AddGround(BridgeGeometry geometry, Ground ground)
    {
        var from = geometry.Road.At(geometry.FirstStation);
        var to = geometry.Road.At(geometry.LastStation);
        var (centre, radius) = (Point.Between(from, to, 0.5), Point.Distance(from, to) / 2 + GroundReach);
        var near = new bool[ground.PointCount];
        for (var p = 0; p < near.Length; p++)
            near[p] = Point.Distance(centre, new(ground.Coordinates[3 * p], ground.Coordinates[3 * p + 1])) < radius;
        Dictionary<int, int> numbers = [];
        List<Point3> points = [];
        List<int> triangles = [];
        for (var t = 0; t < ground.Triangles.Length; t += 3)
        {
            int[] corners = [ground.Triangles[t], ground.Triangles[t + 1], ground.Triangles[t + 2]];
            if (!corners.Any(c => near[c]))
                continue;
            var used = corners.Select(Number).ToArray();
            var up = (points[used[1]] - points[used[0]]).Cross(points[used[2]] - points[used[0]]).Z > 0;
            triangles.AddRange(up ? used : [used[0], used[2], used[1]]);
        }
        Add("/ground", SolidKind.Ground, geometry.Bridge.Ground?.Name ?? "Ground", points, triangles);

        int Number(int p)
        {
            if (numbers.TryGetValue(p, out var known))
                return known;
            points.Add(new(ground.Coordinates[3 * p], ground.Coordinates[3 * p + 1], ground.Coordinates[3 * p + 2]));
            return numbers[p] = points.Count - 1;
        }
    }

    private byte[] Finish(BridgeGeometry geometry)
    {
        while (binary.Length % 4 != 0)
            binary.WriteByte(0);
        var document = new JsonObject
        {
            ["asset"] = new JsonObject
            {
                ["version"] = "2.0",
                ["generator"] = "Pravik",
                ["extras"] = new JsonObject { ["origin"] = new JsonArray(origin.X, origin.Y, origin.Z), ["road"] = RoadPath(geometry) },
            },
            ["scene"] = 0,
            ["scenes"] = new JsonArray(
                new JsonObject
                {
                    ["name"] = geometry.Bridge.Name,
                    ["nodes"] = new JsonArray([.. Enumerable.Range(0, nodes.Count).Select(i => (JsonNode)i)]),
                }
            ),
            ["nodes"] = nodes,
            ["meshes"] = meshes,
            ["materials"] = new JsonArray([
                .. Looks.Select(l =>
                    (JsonNode)
                        new JsonObject
                        {
                            ["name"] = l.Kind.Words(),
                            ["doubleSided"] = l.Kind == SolidKind.Ground,
                            ["pbrMetallicRoughness"] = new JsonObject
                            {
                                ["baseColorFactor"] = new JsonArray(Linear(l.Colour[0]), Linear(l.Colour[1]), Linear(l.Colour[2]), 1.0),
                                ["metallicFactor"] = 0.0,
                                ["roughnessFactor"] = 0.9,
                            },
                        }
                ),
            ]),
            ["buffers"] = new JsonArray(new JsonObject { ["byteLength"] = (int)binary.Length }),
            ["bufferViews"] = views,
            ["accessors"] = accessors,
        };
        var json = Encoding.UTF8.GetBytes(document.ToJsonString());
        var padded = (json.Length + 3) / 4 * 4;
        using var file = new MemoryStream();
        using var writer = new BinaryWriter(file);
        writer.Write(0x46546C67u);
        writer.Write(2u);
        writer.Write((uint)(12 + 8 + padded + 8 + binary.Length));
        writer.Write((uint)padded);
        writer.Write(0x4E4F534Au);
        writer.Write(json);
        for (var i = json.Length; i < padded; i++)
            writer.Write((byte)' ');
        writer.Write((uint)binary.Length);
        writer.Write(0x004E4942u);
        writer.Write(binary.ToArray());
        return file.ToArray();
    }

    /// <summary>Station and place of the road line every few metres about the bridge, for cutting at a station and driving along.</summary>
    private JsonArray RoadPath(BridgeGeometry geometry)
    {
        var reach = 0.4 * (geometry.LastStation - geometry.FirstStation);
        var (from, to) = (geometry.FirstStation - reach, geometry.LastStation + reach);
        var path = new JsonArray();
        for (var i = 0; i <= 120; i++)
        {
            var station = from + i * (to - from) / 120;
            var at = geometry.Road.At(station);
            path.Add(
                new JsonArray(
                    station,
                    Math.Round(at.X - origin.X, 4),
                    Math.Round(geometry.Road.Level(station) - origin.Z, 4),
                    Math.Round(origin.Y - at.Y, 4),
                    Math.Round(geometry.Road.Azimuth(station), 6)
                )
            );
        }
        return path;
    }

    /// <summary>glTF takes linear colour; the table above is as seen on the screen (sRGB).</summary>
    private static double Linear(double shown) => Math.Round(shown <= 0.04045 ? shown / 12.92 : Math.Pow((shown + 0.055) / 1.055, 2.4), 4);

    private static JsonArray Numbers(float[] values) => [.. values.Select(v => (JsonNode)v)];
}
