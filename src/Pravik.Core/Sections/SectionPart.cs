using Pravik.Core.Geometry;

namespace Pravik.Core.Sections;

/// <summary>
/// A part of a section: an outline filled with a material, or a void within another part. The weight is its modulus over that of the
/// section's
/// reference material.
/// </summary>
public sealed record SectionPart(Polygon Outline, double Weight = 1, bool IsVoid = false);

/// <summary>A place of a section at which stresses are wanted (m, in the axes of the outline).</summary>
public sealed record StressPoint(string Name, double X, double Y);
