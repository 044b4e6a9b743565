using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>Compresses as hard as deflate goes in sensible time, by libdeflate of Debian's package libdeflate0.</summary>
internal static partial class Deflate
{
    private const string Library = "libdeflate.so.0";

    // The hardest: near-optimal parsing. And one that takes a tenth of the time.
    private const int Hardest = 12;
    private const int Fair = 6;

    [LibraryImport(Library, EntryPoint = "libdeflate_alloc_compressor")]
    private static partial nint Alloc(int level);

    [LibraryImport(Library, EntryPoint = "libdeflate_free_compressor")]
    private static partial void Free(nint compressor);

    [LibraryImport(Library, EntryPoint = "libdeflate_zlib_compress_bound")]
    private static partial nuint Bound(nint compressor, nuint length);

    [LibraryImport(Library, EntryPoint = "libdeflate_zlib_compress")]
    private static partial nuint Compress(nint compressor, ReadOnlySpan<byte> data, nuint length, Span<byte> result, nuint resultLength);

    /// <summary>The data in a zlib wrapping (RFC 1950).</summary>
    /// <param name="data">What to compress.</param>
    /// <param name="isHard">True for as hard as it goes, false for a fair guess of that.</param>
    /// <exception cref="RenderingFailedException">There is no memory for it.</exception>
    public static byte[] Zlib(ReadOnlySpan<byte> data, bool isHard = true)
    {
        var compressor = Alloc(isHard ? Hardest : Fair);
        if (compressor == 0)
        {
            throw new RenderingFailedException("There is no memory to compress the picture.");
        }
        try
        {
            var result = new byte[(int)Bound(compressor, (nuint)data.Length)];
            return result[..(int)Compress(compressor, data, (nuint)data.Length, result, (nuint)result.Length)];
        }
        finally
        {
            Free(compressor);
        }
    }
}
