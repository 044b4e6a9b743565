using System.Text;
using Kalypto.Core.Designs;

namespace Kalypto.Drawing.Encoders;

/// <summary>Pictures inside a document that say that they are turned or in colours of their own, for an engine that takes no heed of that. In workers only.</summary>
internal static class PlainPictures
{
    private const string Start = "data:image/";
    private const string Base64 = ";base64,";

    /// <summary>The document with such pictures upright and in sRGB; itself where there are none. One that cannot be read stays as it is.</summary>
    public static string In(string document)
    {
        StringBuilder? plain = null;
        var done = 0;
        for (var at = document.IndexOf(Start, StringComparison.Ordinal); at >= 0; at = document.IndexOf(Start, at + 1, StringComparison.Ordinal))
        {
            var comma = document.IndexOf(Base64, at, Math.Min(40, document.Length - at), StringComparison.Ordinal);
            var end = comma < 0 ? -1 : document.IndexOf('"', comma);
            if (end < 0 || !EmbeddedPicture.HasOwnColours(document.AsSpan()[(comma + Base64.Length)..end]) || Plain(document[(comma + Base64.Length)..end]) is not { } png)
            {
                continue;
            }
            (plain ??= new()).Append(document, done, at - done).Append("data:image/png;base64,").Append(png);
            done = end;
        }
        return plain is null ? document : plain.Append(document, done, document.Length - done).ToString();
    }

    private static string? Plain(string base64)
    {
        try
        {
            return PictureConverter.ToSrgb(Convert.FromBase64String(base64)) is { Length: > 0 } png ? Convert.ToBase64String(png) : null;
        }
        catch (Exception e) when (e is FormatException or RenderingFailedException)
        {
            return null;
        }
    }
}
