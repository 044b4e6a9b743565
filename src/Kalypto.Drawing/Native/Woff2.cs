using System.Runtime.InteropServices;
using Kalypto.Core.Fonts;

namespace Kalypto.Drawing.Native;

/// <summary>Unpacks WOFF2 (W3C, WOFF File Format 2.0) by the library of Debian's package libwoff1. Only for workers: what it is given is hostile.</summary>
internal static partial class Woff2
{
    // The library has no names for C; these are woff2::ComputeWOFF2FinalSize and woff2::ConvertWOFF2ToTTF.
    private const string Library = "libwoff2dec.so.1.0.2";

    [LibraryImport(Library, EntryPoint = "_ZN5woff221ComputeWOFF2FinalSizeEPKhm")]
    private static partial nuint FinalSize(ReadOnlySpan<byte> data, nuint length);

    [LibraryImport(Library, EntryPoint = "_ZN5woff217ConvertWOFF2ToTTFEPhmPKhm")]
    [return: MarshalAs(UnmanagedType.I1)]
    private static partial bool ToTtf(Span<byte> result, nuint resultLength, ReadOnlySpan<byte> data, nuint length);

    /// <summary>The font inside, as TTF or OTF.</summary>
    /// <exception cref="FontRefusedException">The file is broken, or too much is in it.</exception>
    public static byte[] Unpack(ReadOnlySpan<byte> file)
    {
        var size = FinalSize(file, (nuint)file.Length);
        if (size > FontFile.MostBytes)
        {
            throw FontFile.TooLarge();
        }
        var font = new byte[size];
        if (size == 0 || !ToTtf(font, size, file, (nuint)file.Length))
        {
            throw new FontRefusedException("The WOFF2 file is broken or cut off", "Get it again where it came from");
        }
        return font;
    }
}
