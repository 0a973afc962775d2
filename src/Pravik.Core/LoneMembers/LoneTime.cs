namespace Pravik.Core.LoneMembers;

/// <summary>How a member with strands ages, where their losses are worked out.</summary>
public sealed record LoneTime
{
    /// <summary>Relative humidity of the air (EN 1992-1-1 Annex B).</summary>
    public double Humidity { get; init; } = 0.75;

    /// <summary>Class of cement: <c>S</c>, <c>N</c> or <c>R</c>.</summary>
    public string Cement { get; init; } = "N";

    /// <summary>χ of the age-adjusted modulus; 0.8 is usual (EN 1992-2 KK.7).</summary>
    public double Aging { get; init; } = 0.8;

    /// <summary>
    /// Day on which permanent loads are put on the finished member, from when it was made; not before its slab is cast.
    /// </summary>
    public double LoadedOn { get; init; } = 90;

    /// <summary>Day to which creep and shrinkage are followed.</summary>
    public double LastDay { get; init; } = 36500;
}
