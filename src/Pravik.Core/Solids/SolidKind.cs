using System.Text;

namespace Pravik.Core.Solids;

/// <summary>What a solid of the bridge is, by which it is shown, coloured and measured.</summary>
public enum SolidKind
{
    /// <summary>Slab of the deck.</summary>
    Slab,

    /// <summary>Thickenings of the slab over girders.</summary>
    Thickenings,

    /// <summary>Surfacing of carriageway and hard strips.</summary>
    Surfacing,

    /// <summary>Fill of footways, verges and medians.</summary>
    Footways,

    /// <summary>Edge beams.</summary>
    EdgeBeams,

    /// <summary>Girders.</summary>
    Girders,

    /// <summary>Concrete between girder and slab.</summary>
    Haunches,

    /// <summary>Diaphragms of concrete.</summary>
    Diaphragms,

    /// <summary>Members and frames of steel between girders.</summary>
    Frames,

    /// <summary>Stiffeners of webs.</summary>
    Stiffeners,

    /// <summary>Bearings.</summary>
    Bearings,

    /// <summary>Plinths under bearings.</summary>
    Plinths,

    /// <summary>Seats, walls and back walls of abutments.</summary>
    Abutments,

    /// <summary>Wing walls.</summary>
    WingWalls,

    /// <summary>Approach slabs.</summary>
    ApproachSlabs,

    /// <summary>Columns and walls of piers.</summary>
    Piers,

    /// <summary>Beams on top of piers.</summary>
    Crossheads,

    /// <summary>Pads and pile caps.</summary>
    Foundations,

    /// <summary>Piles and shafts.</summary>
    Piles,

    /// <summary>Parapets.</summary>
    Parapets,

    /// <summary>Strands of girders.</summary>
    Strands,

    /// <summary>Bars along girders.</summary>
    Bars,

    /// <summary>Ducts of tendons.</summary>
    Tendons,

    /// <summary>The ground.</summary>
    Ground,
}

/// <summary>Words of solids.</summary>
public static class SolidKinds
{
    /// <summary>The kind in words, as it stands in models: <c>wing walls</c>.</summary>
    public static string Words(this SolidKind kind)
    {
        var words = new StringBuilder();
        foreach (var letter in $"{kind}")
            words.Append(char.IsUpper(letter) && words.Length > 0 ? " " : "").Append(char.ToLowerInvariant(letter));
        return words.ToString();
    }
}
