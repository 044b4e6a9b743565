using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;

namespace Kalypto.Core.Rendering;

/// <summary>Makes the file of a layer in any format: those of text are written here, all others the renderer makes.</summary>
public static class FileMaking
{
    /// <summary>Makes a file.</summary>
    /// <param name="renderer">Draws and encodes.</param>
    /// <param name="isolation">The layer.</param>
    /// <param name="content">What it is to hold.</param>
    /// <param name="cancel">Ends the wait.</param>
    public static async Task<Drawn> MakeFileAsync(this IRenderer renderer, Isolation isolation, FileContent content, CancellationToken cancel)
    {
        var (crop, points, pixels, ask) = content;
        var (ground, credit) = (content.Ground, content.Credit);
        if (content.Linked is { } linked)
        {
            return linked < isolation.Pictures.Length ? new(isolation.Pictures[linked].Bytes(), null) : new(null, "The picture is no longer inside the layer.");
        }
        if (ask.Format == Format.Svg)
        {
            return ask.Quality is not Quality.Outlines ? Text(SvgExport.Of(isolation, crop, points.Width, points.Height, ground, credit, content.Links))
                : await OutlinedAsync(renderer, isolation, crop, ground, drawing => Text(SvgExport.Of(drawing, points.Width, points.Height, credit)), cancel);
        }
        if (ask.Format == Format.Vector)
        {
            var (text, refusal) = VectorDrawable.Of(isolation, crop, points.Width, points.Height, ground, credit);
            return text is not null ? Text(text)
                : refusal!.IsText ? await OutlinedAsync(renderer, isolation, crop, ground, drawing => VectorDrawable.Of(drawing, points.Width, points.Height, credit) switch
                {
                    ({ } outlined, _) => Text(outlined),
                    (_, var still) => Refused(still!),
                }, cancel)
                : Refused(refusal);
        }
        var (width, height) = ask.Format.IsVector ? points : (pixels.Width, pixels.Height);
        return await renderer.MakeAsync(new(isolation.Scene(crop, width, height, ground, content.IsExact), width, height, ask, credit), cancel);
    }

    private static async Task<Drawn> OutlinedAsync(IRenderer renderer, Isolation isolation, Box crop, string? ground, Func<DrawingTree, Drawn> write, CancellationToken cancel)
    {
        var drawn = await renderer.OutlinesAsync(isolation.Scene(crop, crop.Width, crop.Height, ground), crop.Width, crop.Height, cancel);
        try
        {
            return drawn.Bytes is null ? drawn : write(DrawingReader.Read(drawn.Bytes, "outlines"));
        }
        catch (DrawingRefusedException e)
        {
            return new(null, $"Its texts cannot become outlines: {e.Message}");
        }
    }

    private static Drawn Text(string text) => new(System.Text.Encoding.UTF8.GetBytes(text), null);

    private static Drawn Refused(VectorRefusal refusal) => new(null, $"It cannot be an Android vector, for {refusal.Why}.");
}
