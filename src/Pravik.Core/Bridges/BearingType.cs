namespace Pravik.Core.Bridges;

/// <summary>Which movements a bearing lets free, along and across the girder.</summary>
public enum Freedom
{
    /// <summary>It holds along and across.</summary>
    Fixed,

    /// <summary>It moves along and is held across.</summary>
    GuidedAlong,

    /// <summary>It moves across and is held along.</summary>
    GuidedAcross,

    /// <summary>It moves along and across.</summary>
    Free,

    /// <summary>Its stiffness follows from its dimensions.</summary>
    Elastomeric,

    /// <summary>Its stiffness is entered.</summary>
    Springs,
}

/// <summary>A type of bearing (m; Pa; N/m). Elastomeric ones are laminated, type B of EN 1337-3 5.2: plates within rubber.</summary>
public sealed record BearingType
{
    /// <summary>Bulk modulus of rubber, E_b (EN 1337-3 5.3.3.7).</summary>
    public const double BulkModulus = 2000e6;

    /// <summary>Outer layers of rubber count in compression from this thickness on (EN 1337-3 5.3.3.1).</summary>
    private const double CountedOuterLayer = 0.003;

    /// <summary>Name, by which supports call it.</summary>
    public string Name { get; init; } = "Elastomeric";

    /// <summary>What it lets free.</summary>
    public Freedom Freedom { get; init; } = Freedom.Elastomeric;

    /// <summary>Plan size along and across the girder, over the rubber, and height over all.</summary>
    public double Length { get; init; } = 0.25;

    /// <summary>Plan size across the girder (m).</summary>
    public double Width { get; init; } = 0.40;

    /// <summary>Height over all (m).</summary>
    public double Height { get; init; } = 0.074;

    /// <summary>Inner layers of rubber and their thickness t_i.</summary>
    public int Layers { get; init; } = 6;

    /// <summary>Thickness t_i of an inner layer (m).</summary>
    public double LayerThickness { get; init; } = 0.008;

    /// <summary>Thickness of the steel plates, one more than inner layers, and of the layer of rubber above and below them.</summary>
    public double PlateThickness { get; init; } = 0.003;

    /// <summary>Thickness of the rubber above and of that below the plates (m).</summary>
    public double OuterLayer { get; init; } = 0.0025;

    /// <summary>Rubber around the plates: how far they lie within the plan size on every side.</summary>
    public double EdgeCover { get; init; } = 0.005;

    /// <summary>Shear modulus G of the rubber: 0.7, 0.9 or 1.15 MPa (EN 1337-3 4.3.1.1).</summary>
    public double ShearModulus { get; init; } = 0.9e6;

    /// <summary>Entered stiffness, for springs (N/m).</summary>
    public double Along { get; init; } = 2e6;

    /// <summary>Entered stiffness across (N/m).</summary>
    public double Across { get; init; } = 2e6;

    /// <summary>Entered stiffness upright (N/m).</summary>
    public double Upright { get; init; } = 1e9;

    /// <summary>Effective plan area A₁ = a'·b', common to rubber and plates (m², EN 1337-3 5.3.3.1).</summary>
    public double EffectiveArea() => (Length - 2 * EdgeCover) * (Width - 2 * EdgeCover);

    /// <summary>
    /// Shape factor S = A₁/(l_p·t_e) of a layer, l_p = 2·(a' + b') its perimeter free of force; t_e is the thickness of an inner layer
    /// and 1.4 times that of an outer one (EN 1337-3 5.3.3.1).
    /// </summary>
    public double ShapeFactor(bool outer = false) =>
        EffectiveArea() / (2 * (Length + Width - 4 * EdgeCover) * (outer ? 1.4 * OuterLayer : LayerThickness));

    /// <summary>Total thickness of rubber in shear, T_e (m): inner layers, and those above and below the plates.</summary>
    public double RubberThickness() => Layers * LayerThickness + 2 * OuterLayer;

    /// <summary>Height of rubber and plates together (m).</summary>
    public double Stack() => RubberThickness() + (Layers + 1) * PlateThickness;

    /// <summary>
    /// Shear stiffness along and across of an elastomeric bearing, R_xy/v_xy = G·A/T_e with A = a·b the whole plan area (EN 1337-3
    /// 5.3.3.7); infinite where the bearing holds, 0 where it lets go.
    /// </summary>
    public (double Along, double Across) Shear() =>
        Freedom switch
        {
            Freedom.Elastomeric => (ShearModulus * Length * Width / RubberThickness(), ShearModulus * Length * Width / RubberThickness()),
            Freedom.Springs => (Along, Across),
            Freedom.GuidedAlong => (0, double.PositiveInfinity),
            Freedom.GuidedAcross => (double.PositiveInfinity, 0),
            Freedom.Free => (0, 0),
            _ => (double.PositiveInfinity, double.PositiveInfinity),
        };

    /// <summary>
    /// Compression stiffness of an elastomeric bearing, from v_c = Σ F_z·t_i/A'·(1/(5·G·S₁²) + 1/E_b) (EN 1337-3 5.3.3.7); infinite for
    /// those that hold. Outer layers count from 3 mm on.
    /// </summary>
    public double Compression()
    {
        if (Freedom != Freedom.Elastomeric)
            return Freedom == Freedom.Springs ? Upright : double.PositiveInfinity;
        double Yield(double thickness, double shape) => thickness * (1 / (5 * ShearModulus * shape * shape) + 1 / BulkModulus);
        var outer = OuterLayer < CountedOuterLayer ? 0 : 2 * Yield(OuterLayer, ShapeFactor(outer: true));
        return EffectiveArea() / (Layers * Yield(LayerThickness, ShapeFactor()) + outer);
    }

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
