namespace Kalypto.Drawing.Encoders;

/// <summary>The rows of a picture in a layout, one after the other, each with the one above it.</summary>
internal sealed class Rows(PixelLayout layout, int width)
{
    private byte[] row = new byte[layout.RowBytes(width)];
    private byte[] above = new byte[layout.RowBytes(width)];

    /// <summary>Bytes in a filtered row with the number of its filter.</summary>
    public int LineBytes => row.Length + 1;

    /// <summary>Goes on to the next row.</summary>
    public void Next(ReadOnlySpan<byte> rgba)
    {
        (row, above) = (above, row);
        layout.Pack(rgba, row);
    }

    /// <summary>Filters the row.</summary>
    public void Filter(int filter, byte[] line) => RowFilters.Apply(filter, row, above, layout.Step, line);
}
