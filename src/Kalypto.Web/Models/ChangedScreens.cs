using Kalypto.Application.Drafts;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Web.Models;

/// <summary>The screens of two drafts, those that stand for the same layer beside each other.</summary>
internal sealed class ChangedScreens
{
    private readonly Dictionary<(bool IsNow, int Root), int> byRoot = [];

    public ChangedScreens(int project, CompareDrafts.Compared compared)
    {
        var (row, state) = compared.Now;
        var (beforeRow, before) = compared.Before!.Value;
        var all = new List<ChangeScreen>();
        var left = before.Measured.Drawing.Screens.ToDictionary(s => beforeRow.Lineages.Of(s.Root.Ordinal));
        foreach (var screen in state.Measured.Drawing.Screens)
        {
            byRoot[(true, screen.Root.Ordinal)] = all.Count;
            left.Remove(row.Lineages.Of(screen.Root.Ordinal), out var then);
            if (then is not null)
            {
                byRoot[(false, then.Root.Ordinal)] = all.Count;
            }
            all.Add(new(screen.Name, then is null ? null : Picture(beforeRow, then), Picture(row, screen), screen.Box.Width / state.DrawnAt, screen.Box.Height / state.DrawnAt));
        }
        foreach (var screen in left.Values)
        {
            byRoot[(false, screen.Root.Ordinal)] = all.Count;
            all.Add(new(screen.Name, Picture(beforeRow, screen), null, screen.Box.Width / before.DrawnAt, screen.Box.Height / before.DrawnAt));
        }
        All = all;

        string Picture(Store.DesignRow of, Screen screen) => $"{Links.ScreenPicture(project, of.Id, screen.Root.Ordinal, ScreenKey.Of(of, screen))}&draft={of.DraftId}";
    }

    public IReadOnlyList<ChangeScreen> All { get; }

    /// <summary>The screen that a layer lies on, and where on it, in shares of its sides.</summary>
    public (int Screen, double[]? Box) Place(DesignState state, Layer layer, bool isNow)
    {
        if (state.Measured.ScreenOf(layer) is not { } screen || !byRoot.TryGetValue((isNow, screen.Root.Ordinal), out var at))
        {
            return (-1, null);
        }
        return (at, state.Measured.ShapeOf(layer) is { } box
            ? [(box.X - screen.Box.X) / screen.Box.Width, (box.Y - screen.Box.Y) / screen.Box.Height, box.Width / screen.Box.Width, box.Height / screen.Box.Height] : null);
    }
}
