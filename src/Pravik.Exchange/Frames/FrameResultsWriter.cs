using System.Text.Json;
using Pravik.Core.Frames;

namespace Pravik.Exchange.Frames;

/// <summary>Writes the results of a frame model (docs/frame-model.md).</summary>
public static class FrameResultsWriter
{
    private static readonly string[] Movements = ["ux", "uy", "uz", "rx", "ry", "rz"];
    private static readonly string[] Forces = ["fx", "fy", "fz", "mx", "my", "mz"];

    /// <summary>Writes results in the format of docs/frame-model.md.</summary>
    public static void Write(Stream stream, FrameModel model, FrameResults results)
    {
        using var json = new Utf8JsonWriter(stream, new() { Indented = false });
        json.WriteStartObject();
        json.WriteString("format", "pravik-frame-results");
        json.WriteNumber("version", FrameReader.CurrentVersion);
        json.WriteStartArray("cases");
        foreach (var result in results.Cases)
        {
            Case(json, model, result);
            json.Flush();
        }
        json.WriteEndArray();
        json.WriteStartArray("warnings");
        foreach (var warning in results.Warnings)
            json.WriteStringValue(warning);
        json.WriteEndArray();
        json.WriteEndObject();
    }

    private static void Case(Utf8JsonWriter json, FrameModel model, FrameCaseResults result)
    {
        json.WriteStartObject();
        json.WriteString("id", result.Id);
        List("nodes", model.Nodes, (node, n) => Named("id", node.Id, Movements, result.Displacements[n]));
        List("reactions", result.Reactions, (reaction, _) => Named("node", model.Nodes[reaction.Node].Id, Forces, reaction.Force));
        List(
            "beams",
            model.Beams,
            (beam, b) =>
            {
                json.WriteString("id", beam.Id);
                var f = result.Beams[b];
                foreach (
                    var (name, values) in new[]
                    {
                        ("at", f.At),
                        ("N", f.N),
                        ("Vy", f.Vy),
                        ("Vz", f.Vz),
                        ("T", f.T),
                        ("My", f.My),
                        ("Mz", f.Mz),
                    }
                )
                    Numbers(name, values);
            }
        );
        List(
            "shells",
            model.Shells,
            (shell, s) =>
            {
                var f = result.Shells[s];
                Named(
                    "id",
                    shell.Id,
                    ["nxx", "nyy", "nxy", "mxx", "myy", "mxy", "vxz", "vyz"],
                    [f.Nxx, f.Nyy, f.Nxy, f.Mxx, f.Myy, f.Mxy, f.Vxz, f.Vyz]
                );
            }
        );
        List("springs", model.Springs, (spring, s) => Named("id", spring.Id, Movements, result.Springs[s]));
        json.WriteStartObject("equilibrium");
        Numbers("applied", result.Applied);
        Numbers("reacted", result.Reacted);
        json.WriteEndObject();
        json.WriteEndObject();

        void List<T>(string name, IReadOnlyList<T> items, Action<T, int> write)
        {
            json.WriteStartArray(name);
            for (var i = 0; i < items.Count; i++)
            {
                json.WriteStartObject();
                write(items[i], i);
                json.WriteEndObject();
            }
            json.WriteEndArray();
        }
        void Named(string key, string id, string[] names, double[] values)
        {
            json.WriteString(key, id);
            for (var i = 0; i < names.Length; i++)
                json.WriteNumber(names[i], values[i]);
        }
        void Numbers(string name, IEnumerable<double> values)
        {
            json.WriteStartArray(name);
            foreach (var value in values)
                json.WriteNumberValue(value);
            json.WriteEndArray();
        }
    }
}
