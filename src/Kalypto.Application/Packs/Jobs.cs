using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Packing;
using Kalypto.Store;

namespace Kalypto.Application.Packs;

/// <summary>Makes drawing jobs out of layers and planned files.</summary>
internal sealed class Jobs(Workspace workspace, DrawingDesk desk)
{
    // A heavier PNG is a photo or a screen, of which it takes long and brings little.
    private const int MostTried = 200_000;

    public DrawingJob Look(Picture picture)
    {
        var (row, state) = workspace.FindDesign(picture.Ref.Design)!.Value;
        return Look(desk, row, state, state.Measured.Drawing.Layers[picture.Ref.Ordinal]);
    }

    public DrawingJob File(PlannedFile file)
    {
        var drawn = file.Picture.Ref;
        var (row, state) = workspace.FindDesign(drawn.Design)!.Value;
        var source = file.Source;
        var onScreen = file.Picture.KeyWithGround != file.Picture.Key;
        return new(file.Key.Hex, row.DraftId, drawn.Ordinal, onScreen ? [] : state.Isolate(state.Layers[drawn.Ordinal]).Without,
            onScreen ? row.Arrangement : ArrangementOf(row, state, drawn.Ordinal),
            new(source.X, source.Y, source.Width, source.Height, file.Width, file.Height, Quick: false)
            {
                Format = file.Ask.Format.ToString(),
                Ground = file.Ground,
                PointsWide = file.Ask.Source.Width,
                PointsTall = file.Ask.Source.Height,
                Credit = file.Credit.IsEmpty ? null : file.Credit,
                OnScreen = onScreen,
                Links = file.Ask.Links,
                Linked = file.Ask.Linked,
                TakesColour = file.Ask.TakesColour,
                Mirrors = file.Ask.Mirrors,
                KeepsWide = file.Ask.KeepsWide,
                Patch = file.Ask.Patch?.ToString(),
            })
        { IsExact = onScreen ? file.Picture.IsExactWithGround : file.Picture.IsExact, Fonts = state.Measured.Drawn.Fonts.ToJson() };
    }

    /// <summary>The same file once more, written as small as it goes; null for one that is not tried.</summary>
    public DrawingJob? Smaller(PlannedFile file, DrawingRow drawn)
    {
        var isTried = (file.Format == Format.Png || file.Format == Format.Png8) && drawn.Sha256 is not null && drawn.Weight < MostTried;
        return isTried && File(file) is var job ? job with { Key = Fingerprint.Of("smaller", desk.Engine, file.Key.Hex).Hex, Picture = job.Picture! with { SmallerOf = file.Key.Hex } } : null;
    }

    /// <summary>A look where the ink of a layer is.</summary>
    public static DrawingJob Look(DrawingDesk desk, DesignRow row, DesignState state, Layer layer)
    {
        var keys = desk.Keys;
        return new(desk.LookKey(keys.Of(state.Isolate(layer))), row.DraftId, layer.Ordinal, state.Isolate(layer).Without, ArrangementOf(row, state, layer.Ordinal), null)
        {
            IsExact = keys.IsExact(state.Isolate(layer)),
            Fonts = state.Measured.Drawn.Fonts.ToJson(),
        };
    }

    /// <summary>A quick picture for the pages, that fits into a square.</summary>
    /// <param name="desk">Where it is asked for.</param>
    /// <param name="row">The design.</param>
    /// <param name="state">The same with all that is said.</param>
    /// <param name="layer">The layer.</param>
    /// <param name="isolation">The layer as it is to be shown.</param>
    /// <param name="box">What to show, in drawing units.</param>
    /// <param name="side">The side of the square, in px.</param>
    public static DrawingJob Quick(DrawingDesk desk, DesignRow row, DesignState state, Layer layer, Isolation isolation, Box box, int side)
    {
        var scale = side / Math.Max(1e-3, Math.Max(box.Width, box.Height));
        var (width, height) = (Math.Max(1, (int)Math.Ceiling(box.Width * scale - 1e-6)), Math.Max(1, (int)Math.Ceiling(box.Height * scale - 1e-6)));
        var keys = desk.Keys;
        var key = Fingerprint.Of("quick", desk.Engine, keys.Of(isolation).Hex,
            $"{Numbers.Text(box.X)} {Numbers.Text(box.Y)} {Numbers.Text(box.Width)} {Numbers.Text(box.Height)} {side}").Hex;
        return new(key, row.DraftId, layer.Ordinal, isolation.Without, layer.Combined || layer.ViewBox is not null ? row.Arrangement : "", new(box.X, box.Y, width / scale, height / scale, width, height, Quick: true))
        {
            IsExact = keys.IsExact(isolation),
            Fonts = state.Measured.Drawn.Fonts.ToJson(),
        };
    }

    // Layers of the file are the same in every arrangement, so that their jobs need none.
    internal static string ArrangementOf(DesignRow row, DesignState state, int ordinal) => ordinal < state.Measured.Drawn.Layers.Length ? "" : row.Arrangement;
}
