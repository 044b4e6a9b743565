using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Store;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Models;

/// <summary>Makes screens for the strip and the wall.</summary>
public static class ScreenModels
{
    /// <summary>The screens of all designs.</summary>
    public static IReadOnlyList<ScreenModel> Of(Workspace workspace) => [.. workspace.Designs.SelectMany(d => Of(workspace.Row.Id, d.Row, d.State))];

    /// <summary>The screens of one design.</summary>
    public static IEnumerable<ScreenModel> Of(int project, DesignRow row, DesignState state) => state.Measured.Drawing.Screens.Select(screen =>
    {
        var layers = state.Measured.LayersOf(screen);
        var progress = Progress.Of(layers, state.MarkOf);
        var box = state.ToPoints(screen.Box);
        return new ScreenModel(row.Id, screen.Root.Ordinal, screen.Name, progress.Decided, progress.Total, progress.Ship, progress.Code, progress.Leave, progress.Covered,
            $"/pictures/{project}/{row.Id}/screen/{screen.Root.Ordinal}.png?k={row.DraftId}.{string.Join('.', screen.Box.Scale(10) is var b ? new[] { (int)b.X, (int)b.Y, (int)b.Width, (int)b.Height } : [])}",
            Words.Size(box), DeviceSizes.Of(box), [box.X, box.Y, box.Width, box.Height],
            layers.Where(l => l.Content is LayerContent.Shape or LayerContent.Repeat).Sum(l => state.Measured.Contents[l.Ordinal].Shapes),
            layers.Count(l => l.Content == LayerContent.Image));
    });
}
