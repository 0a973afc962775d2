using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Roads;

/// <summary>
/// Circles about runs of consecutive pieces, halved again and again, so that the piece nearest to a point is found without looking at all
/// of them.
/// </summary>
internal sealed class SegmentTree
{
    private readonly ImmutableArray<LineSegment> segments;
    private readonly Node root;

    private sealed record Node(Point Centre, double Radius, int From, int To, Node? Left, Node? Right);

    public SegmentTree(ImmutableArray<LineSegment> segments)
    {
        this.segments = segments;
        root = Make(0, segments.Length);
    }

    /// <summary>The nearest piece, the distance along it and the distance to it. Of equally near ones the first.</summary>
    public (LineSegment Segment, double Along, double Distance) Nearest(Point point)
    {
        var best = (Segment: segments[0], Along: 0.0, Distance: double.PositiveInfinity);
        Visit(root);
        return best;

        void Visit(Node node)
        {
            if (Bound(node) > best.Distance + 1e-9)
                return;
            if (node.Left is null)
            {
                var (along, distance) = segments[node.From].Nearest(point);
                if (distance < best.Distance || (distance == best.Distance && segments[node.From].Station < best.Segment.Station))
                    best = (segments[node.From], along, distance);
                return;
            }
            var (near, far) = Bound(node.Left) <= Bound(node.Right!) ? (node.Left, node.Right!) : (node.Right!, node.Left);
            Visit(near);
            Visit(far);
        }

        double Bound(Node node) => Point.Distance(point, node.Centre) - node.Radius;
    }

    private Node Make(int from, int to)
    {
        if (to - from == 1)
            return new(segments[from].Middle, segments[from].Length / 2, from, to, null, null);
        var middle = (from + to) / 2;
        var (left, right) = (Make(from, middle), Make(middle, to));
        var apart = Point.Distance(left.Centre, right.Centre);
        // The least circle about two circles.
        if (apart + right.Radius <= left.Radius)
            return new(left.Centre, left.Radius, from, to, left, right);
        if (apart + left.Radius <= right.Radius)
            return new(right.Centre, right.Radius, from, to, left, right);
        var radius = (apart + left.Radius + right.Radius) / 2;
        return new(Point.Between(left.Centre, right.Centre, (radius - left.Radius) / apart), radius, from, to, left, right);
    }
}
