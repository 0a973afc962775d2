using System.Text.Json;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;

namespace Pravik.Exchange.Frames;

/// <summary>Writes frame models (docs/frame-model.md); what may be left out is, where it has its usual value.</summary>
public static class FrameWriter
{
    private static readonly string[] Components = ["ux", "uy", "uz", "rx", "ry", "rz"];
    private static readonly string[] LoadComponents = ["fx", "fy", "fz", "mx", "my", "mz"];

    /// <summary>Writes a model in the format of docs/frame-model.md.</summary>
    public static void Write(Stream stream, FrameModel model)
    {
        using var json = new Utf8JsonWriter(stream, new() { Indented = true });
        string NodeId(int node) => model.Nodes[node].Id;
        json.WriteStartObject();
        json.WriteString("format", FrameReader.FormatName);
        json.WriteNumber("version", FrameReader.CurrentVersion);
        List(
            json,
            "materials",
            model.Materials,
            m => Numbers(json, ("id", m.Id), ("E", m.E), ("nu", m.Nu), ("density", m.Density), ("alpha", m.Alpha))
        );
        List(
            json,
            "sections",
            model.Sections,
            s => Numbers(json, ("id", s.Id), ("A", s.A), ("Iy", s.Iy), ("Iz", s.Iz), ("J", s.J), ("Avy", s.Avy), ("Avz", s.Avz))
        );
        List(json, "nodes", model.Nodes, n => Numbers(json, ("id", n.Id), ("x", n.At.X), ("y", n.At.Y), ("z", n.At.Z)));
        List(
            json,
            "beams",
            model.Beams,
            b =>
            {
                Numbers(
                    json,
                    ("id", b.Id),
                    ("i", NodeId(b.I)),
                    ("j", NodeId(b.J)),
                    ("material", model.Materials[b.Material].Id),
                    ("section", model.Sections[b.Section].Id)
                );
                Vector(json, "up", b.Up);
                Vector(json, "offsetI", b.OffsetI == default ? null : b.OffsetI);
                Vector(json, "offsetJ", b.OffsetJ == default ? null : b.OffsetJ);
                Names(json, "releaseI", b.ReleaseI);
                Names(json, "releaseJ", b.ReleaseJ);
            }
        );
        List(
            json,
            "shells",
            model.Shells,
            s =>
            {
                Numbers(json, ("id", s.Id));
                json.WriteStartArray("nodes");
                foreach (var node in s.Nodes)
                    json.WriteStringValue(NodeId(node));
                json.WriteEndArray();
                Numbers(json, ("material", model.Materials[s.Material].Id), ("thickness", s.Thickness));
            }
        );
        List(
            json,
            "springs",
            model.Springs,
            s =>
            {
                Numbers(json, ("id", s.Id), ("i", NodeId(s.I)), ("j", NodeId(s.J)));
                Vector(json, "x", s.X);
                Vector(json, "up", s.Up);
                Parts(json, Components, s.Stiffness);
            }
        );
        List(
            json,
            "supports",
            model.Supports,
            s =>
            {
                Numbers(json, ("node", NodeId(s.Node)));
                Names(json, "fix", s.Fix);
                if (s.Springs.Any(k => k != 0))
                {
                    json.WriteStartObject("springs");
                    Parts(json, Components, s.Springs);
                    json.WriteEndObject();
                }
                Vector(json, "x", s.X);
                Vector(json, "up", s.Up);
            }
        );
        List(json, "links", model.Links, l => Numbers(json, ("master", NodeId(l.Master)), ("slave", NodeId(l.Slave))));
        List(json, "cases", model.Cases, c => Case(json, model, c));
        json.WriteEndObject();
    }

    private static void Case(Utf8JsonWriter json, FrameModel model, FrameCase load)
    {
        Numbers(json, ("id", load.Id));
        Vector(json, "gravity", load.Gravity == default ? null : load.Gravity);
        List(
            json,
            "nodal",
            load.Nodal,
            n =>
            {
                Numbers(json, ("node", model.Nodes[n.Node].Id));
                Parts(json, LoadComponents, [n.Force.X, n.Force.Y, n.Force.Z, n.Moment.X, n.Moment.Y, n.Moment.Z]);
            }
        );
        List(
            json,
            "beam",
            load.Beams,
            b =>
            {
                Numbers(
                    json,
                    ("beam", model.Beams[b.Beam].Id),
                    ("kind", b.IsPoint ? "point" : "distributed"),
                    ("component", LoadComponents[(int)b.Direction]),
                    ("axes", b.IsLocal ? "local" : "global")
                );
                if (b.IsPoint)
                    Numbers(json, ("at", b.From), ("value", b.Start));
                else
                    Numbers(json, ("from", b.From), ("to", b.To), ("start", b.Start), ("end", b.End));
            }
        );
        List(
            json,
            "shell",
            load.Shells,
            s =>
                Numbers(
                    json,
                    ("shell", model.Shells[s.Shell].Id),
                    ("axes", s.IsLocal ? "local" : "global"),
                    ("px", s.Pressure.X),
                    ("py", s.Pressure.Y),
                    ("pz", s.Pressure.Z)
                )
        );
        json.WriteStartArray("thermal");
        foreach (var t in load.BeamThermal)
            Item(
                json,
                () =>
                    Numbers(
                        json,
                        ("beam", model.Beams[t.Beam].Id),
                        ("uniform", t.Uniform),
                        ("gradientY", t.GradientY),
                        ("gradientZ", t.GradientZ)
                    )
            );
        foreach (var t in load.ShellThermal)
            Item(json, () => Numbers(json, ("shell", model.Shells[t.Shell].Id), ("uniform", t.Uniform), ("gradient", t.Gradient)));
        json.WriteEndArray();
        List(
            json,
            "settlement",
            load.Settlements,
            s =>
            {
                Numbers(json, ("node", model.Nodes[s.Node].Id));
                Parts(json, Components, [s.Movement.X, s.Movement.Y, s.Movement.Z, s.Rotation.X, s.Rotation.Y, s.Rotation.Z]);
            }
        );
    }

    private static void Item(Utf8JsonWriter json, Action write)
    {
        json.WriteStartObject();
        write();
        json.WriteEndObject();
    }

    private static void List<T>(Utf8JsonWriter json, string name, IEnumerable<T> items, Action<T> write)
    {
        json.WriteStartArray(name);
        foreach (var item in items)
            Item(json, () => write(item));
        json.WriteEndArray();
    }

    private static void Numbers(Utf8JsonWriter json, params (string Name, object Value)[] members)
    {
        foreach (var (name, value) in members)
        {
            if (value is string text)
                json.WriteString(name, text);
            else
                json.WriteNumber(name, Convert.ToDouble(value, System.Globalization.CultureInfo.InvariantCulture));
        }
    }

    /// <summary>Components that are not 0, by name.</summary>
    private static void Parts(Utf8JsonWriter json, string[] names, IReadOnlyList<double> values)
    {
        for (var i = 0; i < names.Length; i++)
        {
            if (values[i] != 0)
                json.WriteNumber(names[i], values[i]);
        }
    }

    private static void Vector(Utf8JsonWriter json, string name, Point3? vector)
    {
        if (vector is not { } v)
            return;
        json.WriteStartArray(name);
        json.WriteNumberValue(v.X);
        json.WriteNumberValue(v.Y);
        json.WriteNumberValue(v.Z);
        json.WriteEndArray();
    }

    private static void Names(Utf8JsonWriter json, string name, IReadOnlyList<FrameDirection> directions)
    {
        if (directions.Count == 0)
            return;
        json.WriteStartArray(name);
        foreach (var d in directions)
            json.WriteStringValue(d.Name());
        json.WriteEndArray();
    }
}
