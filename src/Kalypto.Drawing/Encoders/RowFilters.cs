namespace Kalypto.Drawing.Encoders;

/// <summary>The five filters of PNG rows (PNG specification, chapter 9).</summary>
internal static class RowFilters
{
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
        switch (filter)
        {
            case 0:
                row.CopyTo(line);
                break;
            case 1:
                for (var i = 0; i < row.Length; i++)
                {
                    line[i] = (byte)(row[i] - (i < step ? 0 : row[i - step]));
                }
                break;
            case 2:
                for (var i = 0; i < row.Length; i++)
                {
                    line[i] = (byte)(row[i] - above[i]);
                }
                break;
            case 3:
                for (var i = 0; i < row.Length; i++)
                {
                    line[i] = (byte)(row[i] - (((i < step ? 0 : row[i - step]) + above[i]) >> 1));
                }
                break;
            default:
                for (var i = 0; i < row.Length; i++)
                {
                    line[i] = (byte)(row[i] - (i < step ? above[i] : Paeth(row[i - step], above[i], above[i - step])));
                }
                break;
        }
    }

    /// <summary>The sum of the filtered bytes taken as signed: small for a row that will compress well.</summary>
    public static long Cost(ReadOnlySpan<byte> line)
    {
        long sum = 0;
        foreach (var b in line[1..])
        {
            sum += b < 128 ? b : 256 - b;
        }
        return sum;
    }

    private static int Paeth(int left, int above, int corner)
    {
        var p = left + above - corner;
        var (dl, da, dc) = (Math.Abs(p - left), Math.Abs(p - above), Math.Abs(p - corner));
        return dl <= da && dl <= dc ? left : da <= dc ? above : corner;
    }
}
