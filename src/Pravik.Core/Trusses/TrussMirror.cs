using Pravik.Core.Geometry;

namespace Pravik.Core.Trusses;

/// <summary>Which joints and bars mirror each other about the middle of the opening.</summary>
public sealed class TrussMirror
{
    /// <summary>The mirror images of a model over an opening.</summary>
    public TrussMirror(TrussModel model)
    {
        var middle = (model.Joints[model.Deck[0]].At.X + model.Joints[model.Deck[^1]].At.X) / 2;
        Middle = middle;
        Joints = new int[model.Joints.Length];
        for (var j = 0; j < Joints.Length; j++)
        {
            var at = model.Joints[j].At;
            Point image = new(2 * middle - at.X, at.Y);
            Joints[j] = Enumerable
                .Range(0, Joints.Length)
                .Where(k => Point.Distance(model.Joints[k].At, image) < 1e-4)
                .DefaultIfEmpty(-1)
                .First();
        }
        var bars = new Dictionary<(int, int), int>();
        for (var b = 0; b < model.Bars.Length; b++)
            bars.TryAdd(Ends(model.Bars[b].From, model.Bars[b].To), b);
        Bars =
        [
            .. model.Bars.Select(b =>
                Joints[b.From] >= 0 && Joints[b.To] >= 0 ? bars.GetValueOrDefault(Ends(Joints[b.From], Joints[b.To]), -1) : -1
            ),
        ];
    }

    /// <summary>The middle of the opening (m).</summary>
    public double Middle { get; }

    /// <summary>The joint that mirrors each, itself on the middle, −1 for none.</summary>
    public int[] Joints { get; }

    /// <summary>The bar that mirrors each, −1 for none.</summary>
    public int[] Bars { get; }

    private static (int, int) Ends(int a, int b) => (Math.Min(a, b), Math.Max(a, b));
}
