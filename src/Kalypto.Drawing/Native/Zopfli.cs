using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>Compresses harder than sensible time allows for what is only looked at, by zopfli of Debian's package libzopfli1.</summary>
internal static partial class Zopfli
{
    private const string Library = "libzopfli.so.1";
    private const int ZlibFormat = 1;
    private const int MostBlocks = 15;

    [StructLayout(LayoutKind.Sequential)]
    private struct Options
    {
        public int Verbose;
        public int VerboseMore;
        public int Rounds;
        public int Splits;
        public int SplitsLast;
        public int MostBlocks;
    }

    [LibraryImport(Library, EntryPoint = "ZopfliCompress")]
    private static partial void Compress(in Options options, int format, ReadOnlySpan<byte> data, nuint length, ref nint result, ref nuint resultLength);

    /// <summary>The data in a zlib wrapping (RFC 1950).</summary>
    /// <param name="data">What to compress.</param>
    /// <param name="rounds">How often to look for a better way, from 1.</param>
    /// <param name="splits">True to look for blocks of different kinds, which takes most of the time.</param>
    public static byte[] Zlib(ReadOnlySpan<byte> data, int rounds, bool splits)
    {
        var options = new Options { Rounds = rounds, Splits = splits ? 1 : 0, MostBlocks = splits ? MostBlocks : 0 };
        nint result = 0;
        nuint length = 0;
        Compress(options, ZlibFormat, data, (nuint)data.Length, ref result, ref length);
        try
        {
            var all = new byte[(int)length];
            Marshal.Copy(result, all, 0, all.Length);
            return all;
        }
        finally
        {
            unsafe
            {
                NativeMemory.Free((void*)result);
            }
        }
    }
}
