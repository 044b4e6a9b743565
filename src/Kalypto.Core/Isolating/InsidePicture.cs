using Kalypto.Core.Designs;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Isolating;

/// <summary>A picture that is embedded in a layer.</summary>
/// <param name="Format">PNG, JPEG or GIF.</param>
/// <param name="Width">Width in px.</param>
/// <param name="Height">Height in px.</param>
/// <param name="Href">The reference that holds it: a data URI in base64.</param>
public sealed record InsidePicture(Format Format, int Width, int Height, string Href)
{
    private static readonly Format[] Embedded = [Format.Png, Format.Jpeg, Format.Gif];

    /// <summary>The picture of an image element; null when there is none that can be read.</summary>
    public static InsidePicture? Of(Element element) =>
        element.Name == "image" && element["href"] is { } href && EmbeddedPicture.Of(element) is var (width, height)
        && Embedded.FirstOrDefault(f => href.StartsWith($"data:{f.MediaType};base64,", StringComparison.Ordinal)) is { } format ? new(format, width, height, href) : null;

    /// <summary>Its bytes as they stand in the drawing.</summary>
    /// <exception cref="FormatException">They are not base64.</exception>
    public byte[] Bytes() => Convert.FromBase64String(Href[(Href.IndexOf(',', StringComparison.Ordinal) + 1)..]);
}
