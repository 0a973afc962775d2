using Pravik.Core.Geometry;
using Pravik.Core.Trusses;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>How a truss lies on its drawing, and what surrounds it: ground, abutments, deck, clearance, supports.</summary>
public sealed class TrussPaper
{
    private readonly TrussScheme scheme;
    private readonly SitePlaces places;

    /// <summary>Room for a scheme on a canvas, with a margin (mm); for its joints alone, or with the ground under it.</summary>
    public TrussPaper(TrussScheme scheme, Canvas canvas, double margin, bool hasGround = true)
    {
        (this.scheme, places, Canvas) = (scheme, new(scheme.Site), canvas);
        var at = TrussEdits.Places(scheme).Values.ToList();
        var site = scheme.Site;
        var side = Math.Max(2, 0.07 * site.Opening);
        Left = Math.Min(at.Min(p => p.X), 0) - side;
        Right = Math.Max(at.Max(p => p.X), site.Opening) + side;
        var top = Math.Max(at.Max(p => p.Y) + 0.08 * site.Opening, site.Road + site.Headroom + 1);
        var lowest = at.Min(p => p.Y);
        var bottom = (hasGround ? GroundFoot(site, lowest) : lowest) - 0.02 * site.Opening;
        Scale = Math.Min((canvas.Width - 2 * margin) / (Right - Left), (canvas.Height - 2 * margin) / (top - bottom));
        X0 = canvas.Width / 2 - Scale * (Left + Right) / 2;
        Y0 = canvas.Height / 2 + Scale * (top + bottom) / 2;
        Foot = (Y0 - canvas.Height) / Scale;
    }

    /// <summary>On which it is drawn.</summary>
    public Canvas Canvas { get; }

    /// <summary>Place of the left end of the ground that is shown (m).</summary>
    public double Left { get; }

    /// <summary>Of its right end.</summary>
    public double Right { get; }

    /// <summary>Level at the foot of the drawing (m).</summary>
    public double Foot { get; }

    /// <summary>Millimetres for each metre.</summary>
    public double Scale { get; }

    /// <summary>Where x = 0 lies (mm).</summary>
    public double X0 { get; }

    /// <summary>Where level 0 lies (mm, down).</summary>
    public double Y0 { get; }

    /// <summary>A place on the paper.</summary>
    public Point At(Point p) => new(X0 + Scale * p.X, Y0 - Scale * p.Y);

    /// <summary>A place on the paper.</summary>
    public Point At(double x, double z) => At(new(x, z));

    /// <summary>Ground as found and as dug, abutments, clearance and headroom.</summary>
    public void Ground(UnitSystem units)
    {
        var (site, canvas) = (scheme.Site, Canvas);
        canvas.Part = null;
        List<Point> dug =
        [
            At(Left, places.DugAt(Left)),
            .. places.Dug.Where(p => p.X > Left && p.X < Right).Select(At),
            At(Right, places.DugAt(Right)),
        ];
        List<Point> found = [.. Bends().Select(x => At(x, Math.Max(places.GroundAt(x), Foot)))];
        canvas.Area([.. dug, At(Right, Foot), At(Left, Foot)], Fill.Soft);
        canvas.Path(found, Pen.Hidden);
        canvas.Path(dug, Pen.Edge);
        if (site.Clearance is { } clear)
        {
            canvas.Area(
                [At(clear.From, clear.Top), At(clear.To, clear.Top), At(clear.To, Foot), At(clear.From, Foot)],
                Fill.None,
                Pen.Hidden
            );
            canvas.Text(At((clear.From + clear.To) / 2, clear.Top) + new Point(0, 3.4), "kept free", TextKind.Soft, Anchor.Middle, true);
        }
        canvas.Path([At(0, site.Road + site.Headroom), At(site.Opening, site.Road + site.Headroom)], Pen.Grid);
        canvas.Text(
            At(0, site.Road + site.Headroom) + new Point(0, -1),
            $"headroom {units.FormatWithUnit(site.Headroom, QuantityKind.Length)}",
            TextKind.Soft,
            halo: true
        );
    }

    /// <summary>Deck, road and what carries the ends.</summary>
    public void Deck()
    {
        var (site, canvas) = (scheme.Site, Canvas);
        var depth = BarCatalogue.Deck(site.Deck)?.Thickness ?? 0.2;
        canvas.Part = "/site/deck";
        canvas.Area(
            [At(0, site.Road), At(site.Opening, site.Road), At(site.Opening, site.Road + depth), At(0, site.Road + depth)],
            Fill.Surfacing,
            Pen.Light
        );
        canvas.Part = null;
        canvas.Line(At(Left, site.Road + depth), At(0, site.Road + depth), Pen.Cut);
        canvas.Line(At(site.Opening, site.Road + depth), At(Right, site.Road + depth), Pen.Cut);
        var face = site.Road - (site.Springings ?? SitePlaces.Seat);
        canvas.Line(At(0, site.Road), At(0, face), Pen.Cut);
        canvas.Line(At(site.Opening, site.Road), At(site.Opening, face), Pen.Cut);
        if (site.Pier is { } pier)
        {
            var (half, foot) = (0.4, Math.Max(places.GroundAt(pier.X), Foot));
            canvas.Part = "/site/pier";
            canvas.Area(
                [At(pier.X - half, pier.Top), At(pier.X + half, pier.Top), At(pier.X + half, foot), At(pier.X - half, foot)],
                Fill.Concrete,
                Pen.Cut
            );
            canvas.Part = null;
        }
    }

    /// <summary>The mark of a held joint: a triangle, on a line where it gives way along.</summary>
    public void Support(Point at, JointHold hold)
    {
        if (hold == JointHold.None)
            return;
        var p = At(at);
        Canvas.Area([p, new(p.X - 1.7, p.Y + 2.9), new(p.X + 1.7, p.Y + 2.9)], Fill.Sheet, Pen.Edge);
        if (!hold.HasFlag(JointHold.Along))
            Canvas.Line(new(p.X - 2, p.Y + 3.6), new(p.X + 2, p.Y + 3.6), Pen.Edge);
    }

    /// <summary>How far down the ground is shown (m): not to the foot of a deep valley.</summary>
    private static double GroundFoot(TrussSite site, double lowest)
    {
        var deepest = site.Ground.Where(g => g.X > 0 && g.X < site.Opening).Select(g => g.Z).DefaultIfEmpty(site.Road - 5).Min();
        var low = Math.Min(lowest, Math.Min(site.Road - 0.12 * site.Opening, site.Clearance?.Top ?? site.Road));
        return Math.Max(Math.Min(deepest, low), low - 0.08 * site.Opening);
    }

    private IEnumerable<double> Bends() => places.GroundBends.Where(x => x > Left && x < Right).Prepend(Left).Append(Right);
}
