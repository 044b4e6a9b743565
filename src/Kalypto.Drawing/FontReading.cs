using System.Text.Json;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Reading.Styles;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing;

/// <summary>Takes a font out of its wrapping and reads what it says of itself; in a worker, for the file is hostile.</summary>
internal static class FontReading
{
    /// <summary>What it says, as JSON, and the font as TTF or OTF, with the lengths of both before them; all of a collection.</summary>
    /// <exception cref="FontRefusedException">It cannot be used.</exception>
    public static byte[] Read(byte[] file, string fileName) =>
        Write((FontCollection.Is(file) ? FontCollection.FontsOf(file) : [Unpack(file)]).Select(plain => (Facts(plain, fileName), plain)));

    /// <summary>The same for all fonts that a drawing brings along; those that cannot be used are left out.</summary>
    public static byte[] ReadIn(byte[] drawing)
    {
        var read = new List<(Font, byte[])>();
        long bytes = 0;
        foreach (var embedded in EmbeddedFont.In(drawing))
        {
            try
            {
                var plain = Unpack(embedded.File);
                if ((bytes += plain.Length) <= FontFile.MostBytes)
                {
                    read.Add((embedded.Named(Facts(plain, "")), plain));
                }
            }
            catch (FontRefusedException)
            {
                // The browser may still draw with it: text in it is drawn exactly.
            }
        }
        return Write(read);
    }

    /// <summary>Takes the answer of a worker apart.</summary>
    public static IReadOnlyList<(Font Font, byte[] File)> Take(byte[] answer)
    {
        var found = new List<(Font, byte[])>();
        for (var at = 0; at < answer.Length;)
        {
            var (facts, font) = (BitConverter.ToInt32(answer, at), BitConverter.ToInt32(answer, at + sizeof(int)));
            at += 2 * sizeof(int);
            found.Add((JsonSerializer.Deserialize<Font>(answer.AsSpan(at, facts))!, answer.AsSpan(at + facts, font).ToArray()));
            at += facts + font;
        }
        return found;
    }

    private static byte[] Unpack(byte[] file) => Woff.Is2(file) ? Woff2.Unpack(file) : Woff.Is(file) ? Woff.Unpack(file) : file;

    private static Font Facts(byte[] plain, string fileName) => FontFile.Read(plain, Fingerprint.Of(plain).Hex, fileName);

    private static byte[] Write(IEnumerable<(Font Font, byte[] File)> fonts)
    {
        using var written = new MemoryStream();
        foreach (var (font, file) in fonts)
        {
            var facts = JsonSerializer.SerializeToUtf8Bytes(font);
            written.Write(BitConverter.GetBytes(facts.Length));
            written.Write(BitConverter.GetBytes(file.Length));
            written.Write(facts);
            written.Write(file);
        }
        return written.ToArray();
    }
}
