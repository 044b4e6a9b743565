using System.Runtime.CompilerServices;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Store;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>Makes screens for the strip and the wall.</summary>
public static class ScreenModels
{
    // Nothing of a design changes as long as its state does not.
    private static readonly ConditionalWeakTable<DesignState, IReadOnlyList<ScreenModel>> Known = [];

    /// <summary>The screens of all designs around one, for the strip of a bench.</summary>
    public static StripModel Around(Workspace workspace, int design, int root)
    {
        var all = workspace.Designs.SelectMany(d => Of(workspace.Row.Id, d.Row, d.State)).ToList();
        var here = all.FindIndex(s => s.Design == design && s.Root == root);
        var first = Math.Max(0, here - StripModel.Reach);
        var shown = all.GetRange(first, Math.Min(all.Count, here + StripModel.Reach + 1) - first);
        return new(shown, all[here], first, all.Count - first - shown.Count);
    }

    /// <summary>The screens of one design.</summary>
    public static IReadOnlyList<ScreenModel> Of(int project, DesignRow row, DesignState state) => Known.GetValue(state, s => [.. s.Measured.Drawing.Screens.Select(screen => Of(project, row, s, screen))]);

    private static ScreenModel Of(int project, DesignRow row, DesignState state, Screen screen)
    {
        var layers = state.Measured.LayersOf(screen);
        var progress = Progress.Of(layers, state.MarkOf);
        var box = state.ToPoints(screen.Box);
        return new(row.Id, screen.Root.Ordinal, screen.Name, progress.Decided, progress.Total, progress.Ship, progress.Code, progress.Leave, progress.Covered,
            Links.ScreenPicture(project, row.Id, screen.Root.Ordinal, ScreenKey.Of(row, screen)),
            Words.Size(box), DeviceSizes.Of(box), [box.X, box.Y, box.Width, box.Height],
            layers.Where(l => l.Content is LayerContent.Shape or LayerContent.Repeat).Sum(l => state.Measured.Contents[l.Ordinal].Shapes),
            layers.Count(l => l.Content == LayerContent.Image));
    }
}
