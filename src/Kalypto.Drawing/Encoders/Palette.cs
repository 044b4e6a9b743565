namespace Kalypto.Drawing.Encoders;

/// <summary>The colours of a picture with few, and where each is in the list.</summary>
internal sealed class Palette
{
    /// <summary>The most colours that a PNG can list (PNG specification, 11.2.3).</summary>
    public const int Most = 256;

    // Four times as many places as colours: nearly every colour is found where it is looked for first.
    private const int Places = Most * 4;
    private const int Shift = 32 - 10;
    private const uint Spread = 0x9e3779b1;
    private readonly uint[] colours = new uint[Places];
    private readonly short[] indexes = new short[Places];

    /// <summary>Takes colours in their order.</summary>
    public Palette(uint[] list)
    {
        List = list;
        Array.Fill(indexes, (short)-1);
        for (var i = 0; i < list.Length; i++)
        {
            var place = list[i] * Spread >> Shift;
            while (indexes[place] >= 0)
            {
                place = (place + 1) % Places;
            }
            (colours[place], indexes[place]) = (list[i], (short)i);
        }
    }

    /// <summary>RGBA, most significant byte first.</summary>
    public uint[] List { get; }

    /// <summary>Where a colour of the list is.</summary>
    public int IndexOf(uint colour)
    {
        var place = colour * Spread >> Shift;
        while (colours[place] != colour || indexes[place] < 0)
        {
            place = (place + 1) % Places;
        }
        return indexes[place];
    }
}
