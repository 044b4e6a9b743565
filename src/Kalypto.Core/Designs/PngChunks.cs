using System.Buffers.Binary;

namespace Kalypto.Core.Designs;

/// <summary>The chunks of a PNG, one after the other (PNG, third edition, 5.3). Ends without a word where the file does, or where a chunk says that it is longer than the file.</summary>
/// <param name="file">The file, or its beginning; what is no PNG has none.</param>
public ref struct PngChunks(ReadOnlySpan<byte> file)
{
    private const int AroundData = 12;
    private ReadOnlySpan<byte> rest = file.StartsWith(Signature) ? file[Signature.Length..] : [];

    /// <summary>What every PNG begins with.</summary>
    public static ReadOnlySpan<byte> Signature => [0x89, (byte)'P', (byte)'N', (byte)'G', 13, 10, 26, 10];

    /// <summary>The chunk that it stands at.</summary>
    public PngChunk Current { get; private set; }

    /// <summary>Goes through them from here.</summary>
    public readonly PngChunks GetEnumerator() => this;

    /// <summary>Goes on to the next chunk; false where there is none.</summary>
    public bool MoveNext()
    {
        if (rest.Length < AroundData || BinaryPrimitives.ReadUInt32BigEndian(rest) is var length && length > rest.Length - AroundData)
        {
            return false;
        }
        Current = new(rest[..((int)length + AroundData)]);
        rest = rest[Current.Whole.Length..];
        return true;
    }
}
