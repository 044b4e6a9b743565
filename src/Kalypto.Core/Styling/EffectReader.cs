using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Styling;

/// <summary>
/// Recognises shadows and blurs in filters (Filter Effects 1): it follows the steps of a filter by what they do to the outline of
/// whatever is filtered, so that it does not matter which program wrote them.
/// </summary>
internal static class EffectReader
{
    /// <summary>What a filter comes to.</summary>
    /// <param name="Shadows">The topmost first, in units of the element.</param>
    /// <param name="Blur">As a standard deviation, in units of the element.</param>
    /// <param name="IsKnown">False for a filter that does something else.</param>
    public readonly record struct Effect(ImmutableArray<Shadow> Shadows, double Blur, bool IsKnown);

    private const int MostPieces = 64;
    private static readonly Effect Unknown = new([], 0, false);

    /// <summary>Reads a filter; null elements are none.</summary>
    public static Effect Of(Element? filter)
    {
        if (filter is not { Name: "filter" } || filter["primitiveUnits"] == "objectBoundingBox")
        {
            return Unknown;
        }
        Cloth source = new([new Piece()]);
        Cloth alpha = new([new Piece { Colour = new(0, 0, 0, 1) }]);
        var named = new Dictionary<string, Cloth>();
        var last = source;
        foreach (var step in filter.Elements)
        {
            Cloth? In(string name) => step[name] switch
            {
                null => last,
                "SourceGraphic" => source,
                "SourceAlpha" => alpha,
                "BackgroundImage" or "BackgroundAlpha" => new([]),
                { } result => named.GetValueOrDefault(result),
            };
            var made = step.Name switch
            {
                "feFlood" => Flood(step),
                "feOffset" => In("in")?.Each(p => p.Moved(N(step, "dx"), N(step, "dy"))),
                "feGaussianBlur" => Pair(step["stdDeviation"]) is var (x, y) && x == y ? In("in")?.Each(p => p.Blurred(x)) : null,
                "feMorphology" => Pair(step["radius"]) is var (x, y) && x == y ? In("in")?.Each(p => p.Grown(step["operator"] == "dilate" ? x : -x)) : null,
                "feColorMatrix" => step["type"] is null or "matrix" && Numbers.List(step["values"]) is { Length: 20 } m ? In("in")?.Each(p => p.Coloured(m)) : null,
                "feComponentTransfer" => step.Elements.ToList() is [{ Name: "feFuncA" } f] && f["type"] == "linear" && N(f, "intercept") == 0 ? In("in")?.Each(p => p.Fainter(N(f, "slope", 1))) : null,
                "feComposite" => In("in") is { } a && In("in2") is { } b ? Composite(step, a, b) : null,
                "feBlend" => step["mode"] is null or "normal" && In("in") is { } over && In("in2") is { } under ? new([.. under.Pieces, .. over.Pieces]) : null,
                "feMerge" => step.Elements.Where(e => e.Name == "feMergeNode").Select(n => n["in"] switch { null => last, "SourceGraphic" => source, "SourceAlpha" => alpha, { } r => named.GetValueOrDefault(r) }).ToList() is var parts && parts.TrueForAll(p => p is not null)
                    ? new([.. parts.SelectMany(p => p!.Pieces)]) : null,
                _ => null,
            };
            // Steps that lay their input over itself again and again would grow without end.
            if (made is null || made.Pieces.Length > MostPieces)
            {
                return Unknown;
            }
            last = made;
            if (step["result"] is { } name)
            {
                named[name] = made;
            }
        }
        return Read(last);
    }

    private static Effect Read(Cloth cloth)
    {
        var pieces = cloth.Pieces.Where(p => p.Colour is not { Alpha: 0 }).ToList();
        if (pieces is [{ Colour: null, X: 0, Y: 0, Grow: 0, IsFlood: false, IsInside: false, Deviation: > 0 } blurred])
        {
            return new([], blurred.Deviation, true);
        }
        var at = pieces.FindIndex(p => p.IsItself);
        if (at < 0 || pieces.FindLastIndex(p => p.IsItself) != at || pieces.Where((_, i) => i != at).Any(p => p.Colour is null || p.IsFlood))
        {
            return Unknown;
        }
        // Below the picture lie its shadows, above it those that fall into it.
        if (pieces.Take(at).Any(p => p.IsInside) || pieces.Skip(at + 1).Any(p => !p.IsInside))
        {
            return Unknown;
        }
        return new([.. pieces.Where((_, i) => i != at).Reverse().Select(p => new Shadow(p.X, p.Y, 2 * p.Deviation, p.IsInside ? -p.Grow : p.Grow, p.Colour!.Value, p.IsInside))], 0, true);
    }

    private static Cloth Composite(Element step, Cloth a, Cloth b)
    {
        var op = step["operator"] ?? "over";
        if (op == "over")
        {
            return new([.. b.Pieces, .. a.Pieces]);
        }
        if (a.Pieces is not [var first] || b.Pieces is not [var second])
        {
            return a.Pieces.Length == 0 ? a : Cloth.Torn;
        }
        var isArithmetic = op == "arithmetic" && N(step, "k1") == 0 && N(step, "k4") == 0;
        return (op, first, second) switch
        {
            // A colour cut to an outline, either way round.
            ("in", { IsFlood: true }, { IsFlood: false }) => new([second with { Colour = Mixed(first, second) }]),
            ("in", { IsFlood: false }, { IsFlood: true }) => new([first with { Colour = Mixed(first, second) }]),
            // What is seen only outside of the picture is a shadow of a box all the same.
            ("out", { IsFlood: false, IsInside: false }, { IsStill: true }) => new([first]),
            // The picture without its moved outline, or all but that: what falls into it.
            ("out", { IsStill: true }, { IsFlood: false, IsInside: false }) => new([second with { IsInside = true, Colour = first.Colour ?? new(0, 0, 0, 1) }]),
            ("out", { IsFlood: true }, { IsFlood: false, IsInside: false }) => new([second with { IsInside = true, Colour = first.Colour }]),
            ("in", { IsInside: true }, { IsStill: true }) => new([first]),
            ("arithmetic", { IsFlood: false, IsInside: false }, { IsStill: true }) when isArithmetic && N(step, "k2") == -1 && N(step, "k3") == 1 => new([first with { IsInside = true }]),
            _ => Cloth.Torn,
        };
    }

    private static Colour? Mixed(Piece first, Piece second)
    {
        var (flood, outline) = first.IsFlood ? (first, second) : (second, first);
        return flood.Colour is { } c ? c with { Alpha = Math.Round(c.Alpha * (outline.Colour?.Alpha ?? 1), 4) } : null;
    }

    private static Cloth Flood(Element step)
    {
        var colour = Colour.Parse(step.Style("flood-color") ?? "#000") ?? new(0, 0, 0, 1);
        var alpha = colour.Alpha * (Numbers.Length(step.Style("flood-opacity")) ?? 1);
        return new([new Piece { IsFlood = true, Colour = colour with { Alpha = Math.Round(alpha, 4) } }]);
    }

    private static double N(Element element, string name, double usual = 0) => Numbers.Length(element[name]) ?? usual;

    private static (double X, double Y) Pair(string? text) => Numbers.List(text) switch { [var one] => (one, one), [var x, var y] => (x, y), _ => (0, 0) };

    /// <summary>What a step gives: pieces over one another, the lowest first.</summary>
    private sealed record Cloth(ImmutableArray<Piece> Pieces)
    {
        /// <summary>What cannot be followed: no piece of it is a shadow.</summary>
        public static Cloth Torn { get; } = new([new Piece { IsFlood = true }]);

        public Cloth Each(Func<Piece, Piece?> change) => Pieces.Select(change).ToList() is var made && made.TrueForAll(p => p is not null) ? new([.. made.Select(p => p!)]) : Torn;
    }

    /// <summary>The outline of the picture, moved, grown, blurred, in one colour or (null) its own ones; or a plain colour all over.</summary>
    private sealed record Piece
    {
        public Colour? Colour { get; init; }

        public bool IsFlood { get; init; }

        public double X { get; init; }

        public double Y { get; init; }

        public double Grow { get; init; }

        public double Deviation { get; init; }

        public bool IsInside { get; init; }

        public bool IsStill => X == 0 && Y == 0 && Grow == 0 && Deviation == 0 && !IsFlood && !IsInside;

        public bool IsItself => IsStill && Colour is null;

        public Piece Moved(double x, double y) => this with { X = X + x, Y = Y + y };

        public Piece Blurred(double deviation) => this with { Deviation = Math.Sqrt(Deviation * Deviation + deviation * deviation) };

        public Piece? Grown(double by) => Deviation == 0 ? this with { Grow = Grow + by } : null;

        public Piece? Fainter(double share) => Colour is { } c ? this with { Colour = c with { Alpha = Math.Round(Math.Clamp(c.Alpha * share, 0, 1), 4) } } : null;

        // A matrix that makes one colour of whatever it gets, by its opacity alone.
        public Piece? Coloured(double[] m)
        {
            bool IsOfNone(int row, int count) => m.AsSpan(row, count).IndexOfAnyExcept(0.0) < 0;
            var isOne = IsOfNone(0, 4) && IsOfNone(5, 4) && IsOfNone(10, 4) && IsOfNone(15, 3) && m[19] == 0;
            static int Byte(double share) => (int)Math.Round(Math.Clamp(share, 0, 1) * 255);
            return isOne && !IsFlood ? this with { Colour = new(Byte(m[4]), Byte(m[9]), Byte(m[14]), Math.Round(Math.Clamp(m[18] * (Colour?.Alpha ?? 1), 0, 1), 4)) } : null;
        }
    }
}
