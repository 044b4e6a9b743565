using Kalypto.Core.Exporting;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;

namespace Kalypto.Core.Rendering;

/// <summary>Makes the file of a layer in any format: those of text are written here, all others the renderer makes.</summary>
public static class FileMaking
{
    // Pixels a point of a picture that stands for what shapes cannot show.
    private const int PictureScale = 4;

    // The sizes in an icon file are whole numbers of these.
    private const int PartsOfIcons = 8;

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
            var (tree, failed) = await TreeAsync(renderer, isolation, content, cancel);
            if (tree is null)
            {
                return failed!;
            }
            var note = tree.IsPicture ? "What is written in HTML in it is a picture in the SVG." : null;
            var (whyNot, isLost) = ask.Quality is Quality.Texts ? (null, false) : await OutlineAsync(renderer, isolation, tree, content, cancel);
            if (isLost)
            {
                (tree, whyNot) = await PictureAsync(renderer, isolation, content, cancel);
                note = "Words in colours that let through are a picture in the SVG.";
            }
            return tree is null || whyNot is not null ? whyNot!
                : Text(SvgExport.Of(tree, crop, points.Width, points.Height, new ShapesLook(ground) { Credit = credit, TakesColour = content.TakesColour })) with { Note = note };
        }
        if (ask.Format == Format.Vector)
        {
            var tree = ExportTree.Of(isolation);
            if ((await OutlineAsync(renderer, isolation, tree, content, cancel)).Failed is { } failed)
            {
                return failed;
            }
            var (text, refusal) = VectorDrawable.Of(tree, crop, points.Width, points.Height, new(ground) { Credit = credit, TakesColour = content.TakesColour, Mirrors = content.Mirrors });
            return text is not null ? Text(text) : Refused(refusal!);
        }
        var (width, height) = ask.Format.IsVector ? points : (pixels.Width, pixels.Height);
        return await renderer.MakeAsync(new(isolation.Scene(crop, width, height, ground, content.IsExact || content.KeepsWide, ask.Format == Format.Ico ? Math.Max(1, pixels.Width / PartsOfIcons) : 1), width, height, ask, credit) { Patch = content.Patch, KeepsWide = content.KeepsWide }, cancel);
    }

    /// <summary>The layer as it is written: as it was read or, where only a browser draws that right, as a browser understands its own file.</summary>
    private static async Task<(ExportTree? Tree, Drawn? Failed)> TreeAsync(IRenderer renderer, Isolation isolation, FileContent content, CancellationToken cancel)
    {
        if (!content.IsExact || !content.Links.IsEmpty || !isolation.CanBeCut)
        {
            return (ExportTree.Of(isolation, content.Links), null);
        }
        var crop = content.Crop;
        var resolved = await renderer.ResolvedAsync(isolation.Scene(crop, crop.Width, crop.Height, isExact: true), cancel);
        if (resolved.Bytes is not { } svg)
        {
            return (null, resolved);
        }
        // What SVG has no words for is a picture in it.
        if (svg.Length == 0)
        {
            return await PictureAsync(renderer, isolation, content, cancel);
        }
        try
        {
            var drawing = DrawingReader.Read(svg, "written");
            return (ExportTree.Of(Isolation.Of(drawing, drawing.Layers[0])), null);
        }
        catch (DrawingRefusedException e)
        {
            return (null, new(null, $"It cannot be written as SVG: {e.Message}"));
        }
    }

    private static async Task<(ExportTree? Tree, Drawn? Failed)> PictureAsync(IRenderer renderer, Isolation isolation, FileContent content, CancellationToken cancel)
    {
        var (width, height) = ((int)Math.Ceiling(content.Points.Width * PictureScale), (int)Math.Ceiling(content.Points.Height * PictureScale));
        var picture = await renderer.MakeAsync(new(isolation.Scene(content.Crop, width, height, isExact: true), width, height, new(Format.Png), CreditLines.None), cancel);
        return picture.Bytes is { } png ? (ExportTree.OfPicture(png, content.Crop), null) : (null, picture);
    }

    /// <summary>Turns the texts of a layer into outlines.</summary>
    /// <returns>Why that cannot be, null when it is done; true where one of them is painted in a way that is lost on the way.</returns>
    private static async Task<(Drawn? Failed, bool IsLost)> OutlineAsync(IRenderer renderer, Isolation isolation, ExportTree tree, FileContent content, CancellationToken cancel)
    {
        var isLost = false;
        foreach (var text in OutlinedText.AllOf(tree, content.Crop, content.IsExact))
        {
            var drawn = await renderer.OutlinesAsync(new(() => text.Document, text.IsExact, layout: text.Layout) { Fonts = isolation.Fonts }, text.Width, text.Height, cancel);
            if (drawn.Bytes is null)
            {
                return (drawn, false);
            }
            try
            {
                var outlines = DrawingReader.Read(drawn.Bytes, "outlines");
                isLost |= text.IsExact && outlines.Root.SelfAndDescendants().Any(e => e.Name == "mask");
                text.Replace(outlines);
            }
            catch (DrawingRefusedException e)
            {
                return (new(null, $"Its texts cannot become outlines: {e.Message}"), false);
            }
        }
        return (null, isLost);
    }

    private static Drawn Text(string text) => new(System.Text.Encoding.UTF8.GetBytes(text), null);

    private static Drawn Refused(VectorRefusal refusal) => new(null, $"It cannot be an Android vector, for {refusal.Why}.");
}
