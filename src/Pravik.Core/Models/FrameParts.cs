using Pravik.Core.Frames;
using Pravik.Core.Geometry;

namespace Pravik.Core.Models;

/// <summary>A frame model in the making.</summary>
internal sealed class FrameParts(List<FrameMaterial> materials)
{
    private readonly Dictionary<(double, double, double, double), int> known = [];
    private readonly Dictionary<string, int> counts = [];

    public List<FrameMaterial> Materials { get; } = materials;
    public List<FrameSection> Sections { get; } = [];
    public List<FrameNode> Nodes { get; } = [];
    public List<FrameBeam> Beams { get; } = [];
    public List<FrameShell> Shells { get; } = [];
    public List<FrameSpring> Springs { get; } = [];
    public List<FrameSupport> Supports { get; } = [];
    public List<FrameLink> Links { get; } = [];
    public List<ModelMember> Others { get; } = [];

    /// <summary>Foundations so far; each has a name of its own.</summary>
    public int AddedFeet { get; set; } = 1;

    public FrameModel Model =>
        new()
        {
            Materials = [.. Materials],
            Sections = [.. Sections],
            Nodes = [.. Nodes],
            Beams = [.. Beams],
            Shells = [.. Shells],
            Springs = [.. Springs],
            Supports = [.. Supports],
            Links = [.. Links],
        };

    public int AddNode(string id, Point3 at)
    {
        Nodes.Add(new(id, at));
        return Nodes.Count - 1;
    }

    /// <summary>A section with these values, named after what has it.</summary>
    public int Section(string name, double area, double second, double across, double torsion)
    {
        if (known.TryGetValue((area, second, across, torsion), out var found))
            return found;
        var number = counts[name] = counts.GetValueOrDefault(name) + 1;
        Sections.Add(new($"{name} {number}", area, second, across, torsion));
        return known[(area, second, across, torsion)] = Sections.Count - 1;
    }

    public void AddOther(
        MemberKind kind,
        string id,
        int i,
        int j,
        int material,
        string section,
        double area,
        double second,
        double across,
        double torsion,
        Point3 offset = default,
        Point3? up = null
    )
    {
        Others.Add(new(kind, Beams.Count, id));
        Beams.Add(
            new(id, i, j, material, Section(section, area, second, across, torsion))
            {
                OffsetI = offset,
                OffsetJ = offset,
                Up = up,
            }
        );
    }
}
