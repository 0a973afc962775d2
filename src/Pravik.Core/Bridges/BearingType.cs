namespace Pravik.Core.Bridges;

/// <summary>Which movements a bearing lets free, along and across the girder.</summary>
public enum Freedom
{
    Fixed,

    /// <summary>It moves along and is held across.</summary>
    GuidedAlong,

    /// <summary>It moves across and is held along.</summary>
    GuidedAcross,
    Free,

    /// <summary>Its stiffness follows from its dimensions.</summary>
    Elastomeric,

    /// <summary>Its stiffness is entered.</summary>
    Springs,
}

/// <summary>A type of bearing (m; Pa; N/m).</summary>
public sealed record BearingType
{
    /// <summary>Modulus of volume change of rubber (EN 1337-3, 5.3.3.7).</summary>
    public const double BulkModulus = 2000e6;

    public string Name { get; init; } = "Elastomeric";
    public Freedom Freedom { get; init; } = Freedom.Elastomeric;

    /// <summary>Plan size along and across the girder, and height over all.</summary>
    public double Length { get; init; } = 0.25;
    public double Width { get; init; } = 0.40;
    public double Height { get; init; } = 0.10;

    /// <summary>Inner layers of rubber and their thickness, for elastomeric ones.</summary>
    public int Layers { get; init; } = 5;
    public double LayerThickness { get; init; } = 0.011;

    /// <summary>Shear modulus G of the rubber: 0.9 MPa (EN 1337-3, 4.3.1.1).</summary>
    public double ShearModulus { get; init; } = 0.9e6;

    /// <summary>Entered stiffness, for springs (N/m).</summary>
    public double Along { get; init; } = 2e6;
    public double Across { get; init; } = 2e6;
    public double Upright { get; init; } = 1e9;

    /// <summary>Shape factor S = a·b/(2·t·(a + b)) of a layer.</summary>
    public double ShapeFactor() => Length * Width / (2 * LayerThickness * (Length + Width));

    /// <summary>
    /// Shear stiffness of an elastomeric bearing, K = G·A/ΣT (EN 1337-3, 5.3.3.2); infinite where the bearing holds, 0 where it lets
    /// go.
    /// </summary>
    public (double Along, double Across) Shear() =>
        Freedom switch
        {
            Freedom.Elastomeric => (
                ShearModulus * Length * Width / (Layers * LayerThickness),
                ShearModulus * Length * Width / (Layers * LayerThickness)
            ),
            Freedom.Springs => (Along, Across),
            Freedom.GuidedAlong => (0, double.PositiveInfinity),
            Freedom.GuidedAcross => (double.PositiveInfinity, 0),
            Freedom.Free => (0, 0),
            _ => (double.PositiveInfinity, double.PositiveInfinity),
        };

    /// <summary>
    /// Compression stiffness of an elastomeric bearing, 1/K = Σ t/A·(1/(5·G·S²) + 1/E_b) (EN 1337-3, 5.3.3.7); infinite for others.
    /// </summary>
    public double Compression() =>
        Freedom switch
        {
            Freedom.Elastomeric => Length
                * Width
                / (Layers * LayerThickness * (1 / (5 * ShearModulus * ShapeFactor() * ShapeFactor()) + 1 / BulkModulus)),
            Freedom.Springs => Upright,
            _ => double.PositiveInfinity,
        };

    /// <summary>The types that every new bridge begins with.</summary>
    public static IEnumerable<BearingType> Usual =>
        [
            new() { Name = "Elastomeric 250 × 400" },
            new()
            {
                Name = "Fixed",
                Freedom = Freedom.Fixed,
                Length = 0.40,
                Width = 0.40,
                Height = 0.12,
            },
            new()
            {
                Name = "Guided along",
                Freedom = Freedom.GuidedAlong,
                Length = 0.45,
                Width = 0.40,
                Height = 0.12,
            },
            new()
            {
                Name = "Guided across",
                Freedom = Freedom.GuidedAcross,
                Length = 0.40,
                Width = 0.45,
                Height = 0.12,
            },
            new()
            {
                Name = "Free",
                Freedom = Freedom.Free,
                Length = 0.45,
                Width = 0.45,
                Height = 0.12,
            },
        ];
}
