namespace Pravik.Core.Numerics;

/// <summary>
/// A supernode: a run of vertices (in the order of elimination) whose columns of the factor have the same rows, and the rows below
/// them, also as vertices.
/// </summary>
internal sealed class Supernode
{
    public required int First { get; init; }
    public required int Last { get; set; }
    public required int[] Below { get; set; }
    public int Parent { get; set; } = -1;
    public List<int> Children { get; } = [];

    /// <summary>Unknowns of its own, and below.</summary>
    public int Columns { get; set; }
    public int Rows { get; set; }

    /// <summary>Zeros that joining put into it.</summary>
    public double Zeros { get; init; }

    /// <summary>Multiplications of its own, and of all below it in the tree.</summary>
    public double Work { get; set; }
    public double Subtree { get; set; }
}

/// <summary>
/// What the factor of a symmetric matrix will look like, found without its values: order, elimination tree, supernodes. It serves every
/// matrix with the same blocks.
/// </summary>
/// <remarks>
/// Davis, Direct Methods for Sparse Linear Systems (2006), chapters 4 and 7: elimination tree by Liu's algorithm with compressed paths,
/// postorder, rows of a column as those of its entries and of its children.
/// Neighbouring supernodes are joined where this adds few zeros.
/// </remarks>
public sealed class SymbolicCholesky
{
    /// <summary>Zeros that joining supernodes may add, as a part of the joined one; more for small ones.</summary>
    private const double MostZeros = 0.12;
    private const int Small = 24;

    private SymbolicCholesky(int[] sizes, int[] order)
    {
        (Sizes, Order) = (sizes, order);
        Place = new int[order.Length];
        for (var i = 0; i < order.Length; i++)
            Place[order[i]] = i;
    }

    internal int[] Sizes { get; }

    /// <summary>Vertices in the order of elimination, and the place of every vertex in it.</summary>
    internal int[] Order { get; private set; }
    internal int[] Place { get; private set; }
    internal Supernode[] Supernodes { get; private set; } = [];

    /// <summary>Entries of the factor, zeros that are kept included.</summary>
    public long Entries => Supernodes.Sum(s => (long)s.Columns * (s.Columns + s.Rows));

    /// <summary>Multiplications of a factorisation.</summary>
    public double Work => Supernodes.Sum(s => s.Work);

    /// <summary>Looks through the graph. Places (x, y, z of every vertex) make for a better order.</summary>
    public static SymbolicCholesky Analyse(int[] sizes, int[][] neighbours, double[]? places = null)
    {
        var symbolic = new SymbolicCholesky(sizes, NestedDissection.Order(neighbours, places));
        var parents = symbolic.Tree(neighbours);
        symbolic.Renumber(PostOrder(parents));
        parents = symbolic.Tree(neighbours);
        symbolic.Supernodes = symbolic.Join(symbolic.Runs(neighbours, parents));
        symbolic.Measure();
        return symbolic;
    }

    private void Renumber(int[] post)
    {
        Order = Array.ConvertAll(post, p => Order[p]);
        for (var i = 0; i < Order.Length; i++)
            Place[Order[i]] = i;
    }

    /// <summary>Parent of every place in the elimination tree; −1 for roots.</summary>
    private int[] Tree(int[][] neighbours)
    {
        var (parent, ancestor) = (new int[Order.Length], new int[Order.Length]);
        for (var j = 0; j < Order.Length; j++)
        {
            (parent[j], ancestor[j]) = (-1, -1);
            foreach (var neighbour in neighbours[Order[j]])
            {
                var i = Place[neighbour];
                while (i != -1 && i < j)
                {
                    var next = ancestor[i];
                    ancestor[i] = j;
                    if (next == -1)
                        parent[i] = j;
                    i = next;
                }
            }
        }
        return parent;
    }

    private static int[] PostOrder(int[] parents)
    {
        var (first, next) = (new int[parents.Length + 1], new int[parents.Length]);
        Array.Fill(first, -1);
        for (var i = parents.Length - 1; i >= 0; i--)
        {
            var p = parents[i] < 0 ? parents.Length : parents[i];
            (next[i], first[p]) = (first[p], i);
        }
        var (post, stack) = (new List<int>(parents.Length), new Stack<int>());
        for (var root = first[parents.Length]; root != -1; root = next[root])
        {
            stack.Push(root);
            while (stack.Count > 0)
            {
                var v = stack.Peek();
                if (first[v] != -1)
                {
                    stack.Push(first[v]);
                    first[v] = next[first[v]];
                }
                else
                    post.Add(stack.Pop());
            }
        }
        return [.. post];
    }

    /// <summary>Fundamental supernodes: columns whose rows are those of the next one and it, without another child between.</summary>
    private List<Supernode> Runs(int[][] neighbours, int[] parents)
    {
        var n = Order.Length;
        var rows = new int[n][];
        var children = new List<int>[n];
        var mark = new int[n];
        Array.Fill(mark, -1);
        List<Supernode> runs = [];
        for (var j = 0; j < n; j++)
        {
            List<int> mine = [];
            mark[j] = j;
            foreach (var neighbour in neighbours[Order[j]])
            {
                var i = Place[neighbour];
                if (i > j && mark[i] != j)
                {
                    mark[i] = j;
                    mine.Add(i);
                }
            }
            foreach (var child in children[j] ?? [])
            {
                foreach (var i in rows[child])
                {
                    if (i <= j || mark[i] == j)
                        continue;
                    mark[i] = j;
                    mine.Add(i);
                }
            }
            mine.Sort();
            rows[j] = [.. mine];
            if (parents[j] >= 0)
                (children[parents[j]] ??= []).Add(j);
            if (j > 0 && parents[j - 1] == j && children[j]!.Count == 1 && rows[j - 1].Length == rows[j].Length + 1)
                (runs[^1].Last, runs[^1].Below) = (j, rows[j]);
            else
                runs.Add(
                    new()
                    {
                        First = j,
                        Last = j,
                        Below = rows[j],
                    }
                );
        }
        return runs;
    }

    private int Width(int first, int last)
    {
        var width = 0;
        for (var i = first; i <= last; i++)
            width += Sizes[Order[i]];
        return width;
    }

    private int Width(int[] vertices) => vertices.Sum(v => Sizes[Order[v]]);

    /// <summary>Joins a supernode with those right before it that hang on it, where few zeros are added.</summary>
    private Supernode[] Join(List<Supernode> runs)
    {
        List<Supernode> joined = [];
        foreach (var run in runs)
        {
            var current = run;
            (current.Columns, current.Rows) = (Width(run.First, run.Last), Width(run.Below));
            while (joined.Count > 0 && joined[^1] is var before && before.Below.Length > 0 && before.Below[0] <= current.Last)
            {
                double columns = before.Columns + current.Columns;
                var zeros = before.Zeros + current.Zeros + before.Columns * (double)(current.Columns + current.Rows - before.Rows);
                if (zeros > (columns <= Small ? 0.4 : MostZeros) * columns * (columns + current.Rows))
                    break;
                joined.RemoveAt(joined.Count - 1);
                current = new()
                {
                    First = before.First,
                    Last = current.Last,
                    Below = current.Below,
                    Columns = (int)columns,
                    Rows = current.Rows,
                    Zeros = zeros,
                };
            }
            joined.Add(current);
        }
        return [.. joined];
    }

    private void Measure()
    {
        var owner = new int[Order.Length];
        for (var s = 0; s < Supernodes.Length; s++)
        {
            for (var i = Supernodes[s].First; i <= Supernodes[s].Last; i++)
                owner[i] = s;
        }
        for (var s = 0; s < Supernodes.Length; s++)
        {
            var node = Supernodes[s];
            double c = node.Columns,
                r = node.Rows;
            node.Work = c * c * c / 6 + c * c * r / 2 + c * r * r / 2;
            node.Subtree += node.Work;
            if (node.Below.Length == 0)
                continue;
            node.Parent = owner[node.Below[0]];
            Supernodes[node.Parent].Children.Add(s);
            Supernodes[node.Parent].Subtree += node.Subtree;
        }
    }
}
