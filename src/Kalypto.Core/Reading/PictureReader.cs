using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading;

/// <summary>Reads a PNG or JPEG as a screen with one layer.</summary>
internal static class PictureReader
{
    private const long MostPixels = 100_000_000;

    public static DrawingTree Read(ReadOnlyMemory<byte> file, string fallbackName, ReadingLimits limits)
    {
        var root = new ElementBuilder("svg", null, 0) { Label = fallbackName };
        var (image, size) = Image(root, file.Span, limits, "The file");
        image.Label = fallbackName;
        image.Wide = EmbeddedPicture.HasProfile(image["href"].AsSpan(image["href"]!.IndexOf(',', StringComparison.Ordinal) + 1)) ? "picture" : null;
        root["viewBox"] = $"0 0 {size.Width} {size.Height}";
        root.Children.Add(image);
        return SvgReader.Finish(root, [], fallbackName, limits);
    }

    /// <summary>An embedded picture as an element.</summary>
    /// <param name="parent">The element it will lie in.</param>
    /// <param name="bytes">PNG or JPEG.</param>
    /// <param name="limits">How large it may be.</param>
    /// <param name="what">What it is called in a refusal, with a capital letter.</param>
    public static (ElementBuilder Image, EmbeddedPicture Size) Image(ElementBuilder parent, ReadOnlySpan<byte> bytes, ReadingLimits limits, string what)
    {
        var type = FileTypes.Of(bytes) switch
        {
            FileType.Png => "image/png",
            FileType.Jpeg => "image/jpeg",
            _ => throw new DrawingRefusedException($"{what} is no PNG picture", "Save the drawing again and bring that file in"),
        };
        if (EmbeddedPicture.Of(bytes) is not { Width: > 0, Height: > 0 } size)
        {
            throw new DrawingRefusedException($"{what} is broken: it does not say how large it is", "Save it again and bring that file in");
        }
        if (size.Width > limits.Side || size.Height > limits.Side || (long)size.Width * size.Height > MostPixels)
        {
            throw new DrawingRefusedException(
                $"{what} has {size.Width} × {size.Height} px; {limits.Side:0} on a side and {MostPixels / 1_000_000} million in all are the most", "Save it smaller");
        }
        var image = new ElementBuilder("image", parent, 0);
        image["width"] = Numbers.Text(size.Width);
        image["height"] = Numbers.Text(size.Height);
        image["href"] = $"data:{type};base64,{Convert.ToBase64String(bytes)}";
        return (image, size);
    }
}
