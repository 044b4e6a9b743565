using System.Numerics;

namespace Kalypto.Drawing.Encoders;

/// <summary>The five filters of PNG rows (PNG specification, chapter 9): each writes what a guess from the neighbours leaves over.</summary>
internal static class RowFilters
{
    private const int Ups = 2;
    private const int Paeths = 4;
    private static readonly int Lanes = Vector<byte>.Count;

    // A lane of 16 bits takes this many sums of two bytes of at most 128.
    private const int SumsThatFit = 128;

    /// <summary>Filters a row.</summary>
    /// <param name="filter">0 none, 1 sub, 2 up, 3 average, 4 Paeth.</param>
    /// <param name="row">The row.</param>
    /// <param name="above">The row above; zeros above the first.</param>
    /// <param name="step">Bytes from a byte to that of the pixel before.</param>
    /// <param name="line">Takes the filter's number and the filtered row.</param>
    public static void Apply(int filter, ReadOnlySpan<byte> row, ReadOnlySpan<byte> above, int step, Span<byte> line)
    {
        line[0] = (byte)filter;
        line = line[1..];
        step = Math.Min(step, row.Length);
        // Nothing is left of the first pixel, which counts as zero.
        for (var i = 0; i < step; i++)
        {
            line[i] = (byte)(row[i] - Guess(filter, 0, above[i], 0));
        }
        var here = row[step..];
        var left = row[..^step];
        var up = above[step..];
        var corner = above[..^step];
        var rest = line[step..];
        var at = 0;
        for (; at <= here.Length - Lanes; at += Lanes)
        {
            (new Vector<byte>(here[at..]) - Guess(filter, new Vector<byte>(left[at..]), new Vector<byte>(up[at..]), new Vector<byte>(corner[at..]))).CopyTo(rest[at..]);
        }
        for (; at < here.Length; at++)
        {
            rest[at] = (byte)(here[at] - Guess(filter, left[at], up[at], corner[at]));
        }
    }

    /// <summary>Makes a row of a filtered one.</summary>
    /// <param name="line">The filter's number and the filtered row; the row afterwards, behind the number.</param>
    /// <param name="above">The row above; zeros above the first.</param>
    /// <param name="step">Bytes from a byte to that of the pixel before.</param>
    /// <exception cref="RenderingFailedException">There is no such filter.</exception>
    public static void Undo(Span<byte> line, ReadOnlySpan<byte> above, int step)
    {
        var filter = line[0];
        var row = line[1..];
        if (filter > Paeths)
        {
            throw new RenderingFailedException($"A row of a picture says filter {filter}; there are five.");
        }
        var at = 0;
        // Only what looks at the row itself must go byte by byte.
        for (; filter == Ups && at <= row.Length - Lanes; at += Lanes)
        {
            (new Vector<byte>(row[at..]) + new Vector<byte>(above[at..])).CopyTo(row[at..]);
        }
        for (; filter != 0 && at < row.Length; at++)
        {
            row[at] += (byte)Guess(filter, at < step ? 0 : row[at - step], above[at], at < step ? 0 : above[at - step]);
        }
    }

    /// <summary>The sum of the filtered bytes taken as signed: small for a row that will compress well.</summary>
    public static long Cost(ReadOnlySpan<byte> line)
    {
        long sum = 0;
        line = line[1..];
        while (line.Length >= Lanes)
        {
            var sums = Vector<ushort>.Zero;
            for (var i = 0; i < SumsThatFit && line.Length >= Lanes; i++, line = line[Lanes..])
            {
                var bytes = new Vector<byte>(line);
                Vector.Widen(Vector.Min(bytes, -bytes), out var low, out var high);
                sums += low + high;
            }
            Vector.Widen(sums, out var some, out var others);
            sum += Vector.Sum(some + others);
        }
        foreach (var b in line)
        {
            sum += b < 128 ? b : 256 - b;
        }
        return sum;
    }

    private static int Guess(int filter, int left, int above, int corner)
    {
        switch (filter)
        {
            case 0:
                return 0;
            case 1:
                return left;
            case 2:
                return above;
            case 3:
                return (left + above) >> 1;
            default:
                var (toLeft, toAbove) = (Math.Abs(above - corner), Math.Abs(left - corner));
                var toCorner = Math.Abs(left + above - 2 * corner);
                return toLeft <= toAbove && toLeft <= toCorner ? left : toAbove <= toCorner ? above : corner;
        }
    }

    private static Vector<byte> Guess(int filter, Vector<byte> left, Vector<byte> above, Vector<byte> corner)
    {
        switch (filter)
        {
            case 0:
                return Vector<byte>.Zero;
            case 1:
                return left;
            case 2:
                return above;
            case 3:
                // The average without the bit that would run over.
                return (left & above) + (((left ^ above) & new Vector<byte>(0xfe)) >>> 1);
            default:
                Vector.Widen(left, out var left1, out var left2);
                Vector.Widen(above, out var above1, out var above2);
                Vector.Widen(corner, out var corner1, out var corner2);
                return Vector.Narrow(Paeth(left1, above1, corner1), Paeth(left2, above2, corner2));
        }
    }

    private static Vector<ushort> Paeth(Vector<ushort> left, Vector<ushort> above, Vector<ushort> corner)
    {
        var (toLeft, toAbove) = ((above - corner).As<ushort, short>(), (left - corner).As<ushort, short>());
        var toCorner = Vector.Abs(toLeft + toAbove);
        (toLeft, toAbove) = (Vector.Abs(toLeft), Vector.Abs(toAbove));
        var isLeft = Vector.LessThanOrEqual(toLeft, toAbove) & Vector.LessThanOrEqual(toLeft, toCorner);
        var isAbove = Vector.LessThanOrEqual(toAbove, toCorner);
        return Vector.ConditionalSelect(isLeft.As<short, ushort>(), left, Vector.ConditionalSelect(isAbove.As<short, ushort>(), above, corner));
    }
}
