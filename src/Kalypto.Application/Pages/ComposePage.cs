using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using Kalypto.Application.Fonts;
using Kalypto.Application.Opening;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Fonts;
using Kalypto.Core.Formats;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Pages;
using Kalypto.Core.Platforms.Web;
using Kalypto.Core.Rendering;
using Kalypto.Core.Styling;

namespace Kalypto.Application.Pages;

/// <summary>Makes screens ready to be written as pages: measures their words, and finds the files of their pictures and fonts.</summary>
public sealed class ComposePage(IRenderer renderer, WordFonts fonts)
{
    private const int LongestName = 40;
    private const int PixelDensity = 2;
    private const double MostPixels = 16e6;
    private static readonly string[] Slanted = ["italic"];

    // pt: most shadows reach no further.
    private const double EffectReach = 20;

    /// <summary>Makes a screen ready; null when there is no such screen.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="files">The files of its pack that are there or will be.</param>
    /// <param name="design">The design.</param>
    /// <param name="root">The layer that stands for the screen.</param>
    /// <param name="addressOf">The address of the page of a screen, from this one; null where there are no other pages.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<ComposedPage?> RunAsync(Workspace workspace, IEnumerable<PlannedFile> files, int design, int root, Func<int, Screen, string>? addressOf, CancellationToken cancel)
    {
        if (workspace.FindScreen(design, root) is not var (_, state, screen))
        {
            return null;
        }
        var byPlace = files.SelectMany(f => f.Picture.Places.Where(p => p.Design == design).Select(p => (p.Ordinal, File: f))).ToLookup(f => f.Ordinal, f => f.File);
        var read = new PageParts(state, screen, layer => byPlace.Contains(layer.Ordinal) || (state.MarkOf(layer).Decision == Decision.Ship && state.SaidOf(layer).Tags.Parts != true)).Read();
        var measured = await MeasureAsync(read.Parts, state.Measured.Drawn.Fonts, cancel);
        var beside = new SortedDictionary<string, PageFile>(StringComparer.Ordinal);
        var corner = state.ToPoints(screen.Box);
        var parts = ImmutableArray.CreateBuilder<PagePart>();
        foreach (var part in measured)
        {
            parts.Add(part.Kind == PartKind.Picture ? await PicturedAsync(part, state, corner, [.. byPlace[part.Layer]], beside, cancel) : part);
        }
        List<PageFont> words = [];
        // Just the faces that words are set in.
        foreach (var (family, font, drawn) in parts.SelectMany(p => p.Values?.Text?.Lines ?? []).SelectMany(l => l.Runs).Select(r => (r.Type.Families, r.Type.Weight, r.Type.IsItalic)).Distinct()
            .Select(t => FaceChoice.Of(fonts.Of(state.Measured.Drawn.Fonts, t.Families), f => f.Font, t.Weight, t.IsItalic)).OfType<(string, Font, string)>().Distinct())
        {
            var name = NameWords.Join([.. NameWords.Split(font.Family), font.IsVariable ? "variable" : font.Lightest.ToString(CultureInfo.InvariantCulture), .. font.IsItalic ? Slanted : []], "-", LongestName);
            // Fonts of one name, of other designs perhaps, are told apart by what is in them.
            var path = $"fonts/{name}-{font.Sha256[..6]}.ttf";
            beside[path] = new(path) { Font = (font.Sha256, drawn) };
            words.Add(new(family, font, PageAddress.Of(path)));
        }
        var links = addressOf is null ? [] : workspace.Designs.SelectMany(d => d.State.Measured.Drawing.Screens.Select(s => new PageLink(s.Name, addressOf(d.Row.Id, s), d.Row.Id == design && s.Root.Ordinal == root))).ToImmutableArray();
        return new(read with { Parts = parts.ToImmutable(), Links = links }, workspace.Tokens, [.. words.OrderBy(f => f.Address, StringComparer.Ordinal).ThenBy(f => f.Family, StringComparer.Ordinal)], [.. beside.Values]);
    }

    private async Task<IReadOnlyList<PagePart>> MeasureAsync(ImmutableArray<PagePart> parts, FontBook book, CancellationToken cancel)
    {
        List<LayerValues> values = [.. parts.Select(p => p.Values).OfType<LayerValues>()];
        using var measured = TextMeasuring.With(values, await renderer.MeasureTextAsync(TextMeasuring.AsksOf(values), book, cancel)).GetEnumerator();
        return [.. parts.Select(p => p.Values is null || !measured.MoveNext() ? p : p with { Values = measured.Current, Box = measured.Current.Box })];
    }

    private async Task<PagePart> PicturedAsync(PagePart part, DesignState state, Box corner, IReadOnlyList<PlannedFile> files, SortedDictionary<string, PageFile> beside, CancellationToken cancel)
    {
        // The files for pages or the web, where there are some that a page shows; else those of whatever platform has such.
        var shown = files.GroupBy(f => f.Platform).OrderBy(g => g.Key == PagePlatform.PlatformId ? 0 : g.Key == "web" ? 1 : 2).Select(g => PagePictures.Of(g)).FirstOrDefault(g => g.Length > 0);
        if (shown.IsDefaultOrEmpty || shown[0].Picture.Crop is not { Box: var cropped })
        {
            var layer = state.Layers[part.Layer];
            // On whole points, with room for what an effect adds.
            var whole = part.Box.Inflate(layer.Element.SelfAndDescendants().Any(e => e.Style("filter") is not (null or "none")) ? EffectReach : 0).SnapOutwards(0.01).Intersect(new(0, 0, Math.Ceiling(corner.Width), Math.Ceiling(corner.Height)));
            var name = NameWords.Join(NameWords.Split(part.Name), "-", LongestName);
            var crop = (whole with { X = whole.X + corner.X, Y = whole.Y + corner.Y }).Scale(state.DrawnAt);
            var isolation = state.Isolate(layer);
            // What only a browser draws as it was drawn is pixels; words in a picture have no fonts of a page, so they are outlines.
            var isPixels = isolation.Beyond.Length > 0 && renderer.Exact is not null && whole.Width * whole.Height <= MostPixels / (PixelDensity * PixelDensity);
            var drawn = $"images/{(name.Length > 0 ? name : "drawing")}-{part.Layer}{(isPixels ? ".png" : ".svg")}";
            var pixels = isPixels ? PixelDensity : 1;
            var made = await renderer.MakeFileAsync(isolation, new(crop, (whole.Width, whole.Height), ((int)whole.Width * pixels, (int)whole.Height * pixels), new(isPixels ? Format.Png : Format.Svg)) { IsExact = isPixels }, cancel);
            beside[drawn] = new(drawn) { Drawing = (made.Bytes ?? Encoding.UTF8.GetBytes(SvgExport.Of(isolation, crop, whole.Width, whole.Height)), isPixels && made.Bytes is not null ? Format.Png.MediaType : Format.Svg.MediaType) };
            return part with { Box = whole, Picture = new(PageAddress.Of(drawn), whole.Width, whole.Height, part.Said.Alt ?? AltOf(part.Name)) };
        }
        string PathOf(PlannedFile file) => file.Path[(file.Path.IndexOf('/', StringComparison.Ordinal) + 1)..] is var inside && inside.StartsWith("images/", StringComparison.Ordinal) ? inside : $"images/{inside}";
        foreach (var file in shown)
        {
            beside[PathOf(file)] = new(PathOf(file)) { Planned = file };
        }
        // A crop is counted from the layer that the picture was made of, which may stand elsewhere.
        var source = shown[0].Picture.Ref is var owner && owner.Design == state.Id ? state.PointsOf(state.Layers[owner.Ordinal]) : null;
        var here = state.PointsOf(state.Layers[part.Layer])!.Value;
        var from = source ?? here;
        var place = cropped with { X = cropped.X - from.X + here.X - corner.X, Y = cropped.Y - from.Y + here.Y - corner.Y };
        return part with { Box = source is null ? part.Box : place, Name = part.Name.Length > 0 ? part.Name : shown[0].Picture.Name, Picture = PagePictures.Named(shown, f => PageAddress.Of(PathOf(f))) };
    }

    private static string AltOf(string name) => string.Join(' ', NameWords.Split(name)) is { Length: > 0 } words ? char.ToUpperInvariant(words[0]) + words[1..] : "";
}
