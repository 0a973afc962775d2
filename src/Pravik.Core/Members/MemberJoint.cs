using Pravik.Core.Materials;

namespace Pravik.Core.Members;

/// <summary>The face at which later concrete lies on a member.</summary>
/// <param name="Width">b_i, its width (m).</param>
/// <param name="Surface">How it is made.</param>
/// <param name="Weaker">The weaker of both concretes.</param>
public sealed record MemberJoint(double Width, InterfaceSurface Surface, Concrete Weaker);
