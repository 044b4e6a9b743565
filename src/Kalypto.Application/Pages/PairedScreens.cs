using Kalypto.Application.Opening;
using Kalypto.Core.Packing;
using Kalypto.Core.Pages;

namespace Kalypto.Application.Pages;

/// <summary>Finds screens of a design that are one page at two widths: by their names, and by the same words and pictures in the same elements.</summary>
public sealed class PairedScreens(ComposePage compose)
{
    /// <summary>The narrow screen of each wide one, by design and the layer that stands for the screen.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="files">The files of its pack that are there or will be.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<Dictionary<(int Design, int Root), (int Design, int Root)>> OfAsync(Workspace workspace, IReadOnlyCollection<PlannedFile> files, CancellationToken cancel)
    {
        var pairs = new Dictionary<(int, int), (int, int)>();
        foreach (var (row, state) in workspace.Designs)
        {
            var screens = state.Measured.Drawing.Screens;
            foreach (var (wide, narrow) in PagePairs.Of([.. screens.Select(s => (s.Name, state.ToPoints(s.Box).Width))]))
            {
                var (a, b) = (await compose.RunAsync(workspace, files, row.Id, screens[wide].Root.Ordinal, null, cancel), await compose.RunAsync(workspace, files, row.Id, screens[narrow].Root.Ordinal, null, cancel));
                if (PageWriter.Together(a!.Screen, b!.Screen, a.Tokens, []) is not null)
                {
                    pairs[(row.Id, screens[wide].Root.Ordinal)] = (row.Id, screens[narrow].Root.Ordinal);
                }
            }
        }
        return pairs;
    }
}
