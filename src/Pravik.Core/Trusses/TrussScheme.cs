using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json.Serialization;

namespace Pravik.Core.Trusses;

/// <summary>
/// A truss scheme: two plane trusses of pin-jointed bars under or beside one deck over an opening. One immutable value in SI base units,
/// from which forces, resistances, cost and everything drawn follow (docs/truss-format.md).
/// </summary>
/// <remarks>Lengths along the opening are counted from the face of the left abutment, levels upwards from the datum of the site.</remarks>
public sealed record TrussScheme
{
    /// <summary>What the member <c>format</c> of a file says.</summary>
    public const string FormatName = "pravik-truss";

    /// <summary>The version that is written and read.</summary>
    public const int CurrentVersion = 1;

    /// <summary>A scheme without bars over a usual opening.</summary>
    public static TrussScheme New(TrussSite site) =>
        new()
        {
            Format = FormatName,
            Version = CurrentVersion,
            Site = site,
        };

    /// <summary>Always <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>Version of the format.</summary>
    public required int Version { get; init; }

    /// <summary>Name of the scheme.</summary>
    public string Name { get; init; } = "New scheme";

    /// <summary>Who drew it: stands beside it where schemes are ranked.</summary>
    public string Author { get; init; } = "";

    /// <summary><c>metric</c> or <c>us</c>: how values are shown and typed.</summary>
    public string Units { get; init; } = "metric";

    /// <summary>What it crosses, and what carries it.</summary>
    public TrussSite Site { get; init; } = new();

    /// <summary>Factors and limits of the checks.</summary>
    public TrussRules Rules { get; init; } = new();

    /// <summary>What drives over it; each of them can govern.</summary>
    public ImmutableArray<TrussVehicle> Vehicles { get; init; } = [new()];

    /// <summary>The form from which it was made; null where it was drawn from nothing.</summary>
    public TrussForm? Form { get; init; }

    /// <summary>Joints beside those that the site gives.</summary>
    public ImmutableArray<TrussJoint> Joints { get; init; } = [];

    /// <summary>Bars between joints.</summary>
    public ImmutableArray<TrussBar> Bars { get; init; } = [];

    /// <summary>Grades beside those of the catalogue.</summary>
    public ImmutableArray<OwnGrade> Grades { get; init; } = [];

    /// <summary>Sections beside those of the catalogue.</summary>
    public ImmutableArray<OwnSection> Sections { get; init; } = [];

    /// <summary>Own prices in place of those of the price list, by name.</summary>
    public ImmutableSortedDictionary<string, double> Prices { get; init; } = ImmutableSortedDictionary<string, double>.Empty;

    /// <summary>In what prices are told, such as EUR; empty for none.</summary>
    public string Currency { get; init; } = "";

    /// <summary>What a design of a task has to keep to; null for a scheme of its own.</summary>
    public TrussTask? Task { get; init; }

    /// <summary>A picture under the sketch; null for none.</summary>
    public TrussPicture? Picture { get; init; }

    /// <summary>A cost as it is told: whole, with the currency.</summary>
    public string Money(double cost) => $"{cost.ToString("#,0", CultureInfo.InvariantCulture)} {Currency}".TrimEnd();
}

/// <summary>A joint beside those of the site.</summary>
public sealed record TrussJoint
{
    /// <summary>By which bars name it: letters and digits.</summary>
    public string Id { get; init; } = "";

    /// <summary>Place along the opening (m).</summary>
    public double X { get; init; }

    /// <summary>Level (m).</summary>
    public double Z { get; init; }

    /// <summary>Whether a search for a better shape leaves it where it is.</summary>
    public bool Locked { get; init; }
}

/// <summary>A bar between two joints.</summary>
public sealed record TrussBar
{
    /// <summary>The joint at which it begins.</summary>
    public string From { get; init; } = "";

    /// <summary>The joint at which it ends.</summary>
    public string To { get; init; } = "";

    /// <summary>Name of its grade.</summary>
    public string Grade { get; init; } = "S355";

    /// <summary>Name of its family of sections; <c>own</c> for a section of the scheme.</summary>
    public string Family { get; init; } = "tube";

    /// <summary>Name of its size in the family.</summary>
    public string Size { get; init; } = "139.7 × 8";

    /// <summary>Whether a search for lighter sections leaves it as it is.</summary>
    public bool Locked { get; init; }

    /// <summary>Its joints, whichever way it runs.</summary>
    [JsonIgnore]
    public (string, string) Ends => Pair(From, To);

    /// <summary>Two joints, the same for both orders.</summary>
    public static (string, string) Pair(string a, string b) => string.CompareOrdinal(a, b) < 0 ? (a, b) : (b, a);
}

/// <summary>A grade of the scheme's own.</summary>
/// <param name="Name">Name.</param>
/// <param name="Yield">f_y of every thickness (Pa).</param>
/// <param name="E">Modulus of elasticity (Pa).</param>
/// <param name="Density">Density (kg/m³).</param>
/// <param name="Price">Factor on the price of steel.</param>
public sealed record OwnGrade(string Name, double Yield, double E, double Density, double Price);

/// <summary>A section of the scheme's own: local buckling of its walls is not looked at.</summary>
/// <param name="Name">Name.</param>
/// <param name="Area">A (m²).</param>
/// <param name="SecondMoment">I about the weaker axis (m⁴).</param>
/// <param name="Depth">As it is drawn (m).</param>
/// <param name="Curve">Buckling curve of EN 1993-1-1 6.3.1.2: a0, a, b, c or d; empty for a bar that does not buckle.</param>
public sealed record OwnSection(string Name, double Area, double SecondMoment, double Depth, string Curve);

/// <summary>An axle of a vehicle.</summary>
/// <param name="Load">Its load (N).</param>
/// <param name="Gap">Distance behind the axle before it (m); 0 for the first.</param>
public sealed record TrussAxle(double Load, double Gap);

/// <summary>A vehicle that crosses.</summary>
public sealed record TrussVehicle
{
    /// <summary>Name.</summary>
    public string Name { get; init; } = "Lorry of 31 t";

    /// <summary>Axles from the first to the last.</summary>
    public ImmutableArray<TrussAxle> Axles { get; init; } = [new(70e3, 0), new(70e3, 1.3), new(85e3, 4.2), new(85e3, 1.3)];

    /// <summary>Factor on its load for dynamics.</summary>
    public double Dynamic { get; init; } = 1;
}

/// <summary>Factors and limits of the checks.</summary>
public sealed record TrussRules
{
    /// <summary>γ_G on permanent loads where they worsen (EN 1990 Table A2.4(B)).</summary>
    public double Permanent { get; init; } = 1.35;

    /// <summary>γ_G on permanent loads where they relieve.</summary>
    public double PermanentRelieving { get; init; } = 1;

    /// <summary>γ_Q on traffic (EN 1990 Table A2.4(B)).</summary>
    public double Traffic { get; init; } = 1.35;

    /// <summary>γ_M0 on yielding (EN 1993-1-1 6.1).</summary>
    public double GammaM0 { get; init; } = 1;

    /// <summary>γ_M1 on buckling (EN 1993-1-1 6.1; 1.1 in EN 1993-2).</summary>
    public double GammaM1 { get; init; } = 1.1;

    /// <summary>Greatest L/i of a bar that is ever in compression; null for no limit. A rule of practice, not of EN 1993.</summary>
    public double? SlendernessCompression { get; init; } = 180;

    /// <summary>Greatest L/i of a bar that is only in tension; null for no limit.</summary>
    public double? SlendernessTension { get; init; } = 300;

    /// <summary>How many times the opening must be longer than traffic deflects the deck; null for no limit.</summary>
    public double? Deflection { get; init; } = 400;
}
