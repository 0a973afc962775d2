namespace Pravik.Core.Roads;

/// <summary>
/// The road line as entered: a straight, or a single circular arc, with one grade. Lengths in m, angles in rad, grade as rise
/// over run. A positive radius turns right looking ahead; no radius is a straight.
/// </summary>
public sealed record Road
{
    public double StartStation { get; init; }
    public double StartEast { get; init; }
    public double StartNorth { get; init; }

    /// <summary>Direction at the start, clockwise from north (rad).</summary>
    public double Azimuth { get; init; } = Math.PI / 2;

    public double Length { get; init; } = 200;
    public double? Radius { get; init; }
    public double StartLevel { get; init; }
    public double Grade { get; init; }
}
