using Kalypto.Application.Fonts;
using Kalypto.Core.Fonts;
using Kalypto.Core.Handover;
using Kalypto.Core.Packing;
using Kalypto.Core.Rendering;

namespace Kalypto.Application.Handover;

/// <summary>Puts a screen together from the delivered files and the layers in code alone, as it would stand on a device.</summary>
public sealed class PutTogether(IRenderer renderer, WordFonts fonts)
{
    /// <summary>Puts it together; null when the delivery has no such screen.</summary>
    /// <param name="delivered">The delivery.</param>
    /// <param name="design">The design.</param>
    /// <param name="root">The layer that stands for the screen.</param>
    /// <param name="platform">The platform whose files are taken where it has one that a browser shows.</param>
    /// <param name="density">px per pt of the device.</param>
    /// <param name="addressOf">The address of a file.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<DeviceScreen?> RunAsync(Delivered delivered, int design, int root, string platform, double density, Func<PlannedFile, string> addressOf, CancellationToken cancel)
    {
        if (delivered.Workspace.FindScreen(design, root) is not var (_, state, screen))
        {
            return null;
        }
        var parts = delivered.PartsOf(design, screen).Where(p => !p.IsHidden).ToList();
        var values = await MeasuredValues.OfAsync(renderer, state, screen, parts.Where(p => p.Picture is null).Select(p => p.Layer.Ordinal), cancel);
        var size = state.ToPoints(screen.Box);
        List<DevicePart> shown = [];
        foreach (var part in parts)
        {
            var ordinal = part.Layer.Ordinal;
            var picture = part.Picture is null ? null : delivered.PictureOf(new(design, ordinal));
            if (picture is not null)
            {
                shown.Add(new(picture.Name, delivered.PlaceOf(design, screen, ordinal) ?? part.Box) { File = FileFor([.. delivered.FilesOf(picture)], platform, density) is { } file ? addressOf(file) : null });
            }
            else if (values.GetValueOrDefault(ordinal) is { } own)
            {
                shown.Add(new(state.NameOf(part.Layer), own.Box) { Values = own });
            }
        }
        var families = values.Values.SelectMany(v => v.Text?.Lines ?? []).SelectMany(l => l.Runs).Select(r => r.Type.Families).Distinct(StringComparer.OrdinalIgnoreCase).ToList();
        return new(screen.Name, size.Width, size.Height, shown, [.. families.SelectMany(f => fonts.Of(state.Measured.Drawn.Fonts, f)).Distinct()]);
    }

    /// <summary>The file of a font that a device shows words in; null when it is none of those, or must not be handed on.</summary>
    /// <param name="delivered">The delivery.</param>
    /// <param name="drawn">The families that it was found by, as <see cref="DeviceScreen.Fonts"/> has them.</param>
    /// <param name="sha256">Its SHA-256.</param>
    /// <param name="cancel">Ends the wait.</param>
    public Task<Stream?> FontAsync(Delivered delivered, string drawn, string sha256, CancellationToken cancel) => fonts.OpenAsync(FontBook.Read(delivered.Workspace.Row.Fonts), drawn, sha256, cancel);

    /// <summary>The file that a device takes, as browsers choose: of its platform, shapes first, else the smallest that is sharp on it; null for none that a browser shows.</summary>
    public static PlannedFile? FileFor(IReadOnlyList<PlannedFile> files, string platform, double density)
    {
        List<PlannedFile> own = [.. files.Where(f => f.BrowsersShow && f.Platform == platform)];
        List<PlannedFile> all = own.Count > 0 ? own : [.. files.Where(f => f.BrowsersShow)];
        return all.Where(f => f.Format.IsVector).OrderBy(f => f.TakesColour).FirstOrDefault() is { TakesColour: false } shapes ? shapes
            : all.Where(f => !f.Format.IsVector && f.Width >= f.Picture.Crop?.Box.Width * density - 1).OrderBy(f => f.Width).FirstOrDefault()
            ?? all.Where(f => !f.Format.IsVector).MaxBy(f => f.Width) ?? all.FirstOrDefault();
    }
}
