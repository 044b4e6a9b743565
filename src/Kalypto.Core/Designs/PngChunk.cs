namespace Kalypto.Core.Designs;

/// <summary>A chunk of a PNG.</summary>
/// <param name="whole">Its length, name, data and sum.</param>
public readonly ref struct PngChunk(ReadOnlySpan<byte> whole)
{
    /// <summary>As it stands in the file.</summary>
    public ReadOnlySpan<byte> Whole { get; } = whole;

    /// <summary>Four letters.</summary>
    public ReadOnlySpan<byte> Name => Whole[4..8];

    /// <summary>What it holds.</summary>
    public ReadOnlySpan<byte> Data => Whole[8..^4];
}
