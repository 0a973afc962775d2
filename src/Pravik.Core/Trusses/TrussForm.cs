namespace Pravik.Core.Trusses;

/// <summary>Standard forms from which a scheme can begin.</summary>
public enum FormKind
{
    /// <summary>Diagonals alone, leaning both ways in turn.</summary>
    Warren,

    /// <summary>Uprights, with diagonals that fall towards the middle.</summary>
    Pratt,

    /// <summary>Uprights, with diagonals that rise towards the middle.</summary>
    Howe,

    /// <summary>As Pratt, the other chord bent.</summary>
    Parker,

    /// <summary>Uprights in two halves, with two short diagonals to the middle of each.</summary>
    K,

    /// <summary>The upper chord an arch from end to end, tied by the deck.</summary>
    Bowstring,

    /// <summary>An arch below the deck from springing to springing, of two chords, with uprights to the deck.</summary>
    DeckArch,

    /// <summary>Masts at the ends of the deck, stays to the deck and back to anchorages.</summary>
    Stayed,
}

/// <summary>A form as it is asked for.</summary>
public sealed record TrussForm
{
    /// <summary>Kind.</summary>
    public FormKind Kind { get; init; } = FormKind.Pratt;

    /// <summary>
    /// Depth between the chords (m): at the middle of a bent one; of an arch below the deck that of its two chords; of masts their height.
    /// </summary>
    public double Depth { get; init; } = 5;

    /// <summary>
    /// Rise (m): how much deeper a bent chord is at the middle than at its first upright, or an arch at its crown than at its springing.
    /// </summary>
    public double Rise { get; init; } = 2;

    /// <summary>Whether the bars lie below the deck; above it otherwise. Bowstrings and masts lie above, deck arches below.</summary>
    public bool IsBelow { get; init; }
}
