using System.Text;
using Kalypto.Application.Opening;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Pages;

namespace Kalypto.Application.Pages;

/// <summary>The pages of a pack: one a screen, or one for two screens that differ by their width; the first one the start, all in one folder with what they show.</summary>
public sealed class PagesOfPack(ComposePage compose, PairedScreens paired)
{
    private const int LongestName = 60;

    /// <summary>What lies in the folder of pages but the pictures of the pack: pages and drawings, and fonts by their SHA-256.</summary>
    /// <param name="Path">From the folder, with slashes.</param>
    /// <param name="Bytes">Its content; null for a font.</param>
    /// <param name="Font">The font, and the families that it was found by; null for another.</param>
    public sealed record Beside(string Path, byte[]? Bytes, (string Sha256, string Drawn)? Font);

    /// <summary>Writes the pages of a project.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="built">The picture files of the pages that are there.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<IReadOnlyList<Beside>> WriteAsync(Workspace workspace, IReadOnlyList<PlannedFile> built, CancellationToken cancel)
    {
        var narrowOf = await paired.OfAsync(workspace, built, cancel);
        var names = NamesOf(workspace, narrowOf);
        var all = new SortedDictionary<string, Beside>(StringComparer.Ordinal);
        foreach (var (at, name) in names.Where(n => !narrowOf.ContainsValue(n.Key)))
        {
            var styles = name == "index" ? "styles.css" : $"{name}.css";
            Task<ComposedPage?> ComposeAsync((int Design, int Root) screen) => compose.RunAsync(workspace, built, screen.Design, screen.Root, (d, s) => PageAddress.Of($"{names[(d, s.Root.Ordinal)]}.html"), cancel);
            var page = (await ComposeAsync(at))! with { Styles = styles };
            page = narrowOf.TryGetValue(at, out var less) ? page.With((await ComposeAsync(less))!) : page;
            Add(new($"{name}.html", Encoding.UTF8.GetBytes(page.Plain.HtmlText), null));
            Add(new(styles, Encoding.UTF8.GetBytes(page.Plain.CssText), null));
            foreach (var file in page.Files.Where(f => f.Planned is null))
            {
                Add(new(file.Path, file.Drawing?.Bytes, file.Font));
            }
        }
        return [.. all.Values];

        void Add(Beside file) => all[file.Path] = file;
    }

    // The names of the pages by design and the layer that stands for the screen: the first one is the start.
    private static Dictionary<(int Design, int Root), string> NamesOf(Workspace workspace, Dictionary<(int Design, int Root), (int Design, int Root)> narrowOf)
    {
        var names = new Dictionary<(int, int), string>();
        var taken = new HashSet<string>(StringComparer.Ordinal) { "index", "styles" };
        foreach (var (at, screen) in workspace.Designs.SelectMany(d => d.State.Measured.Drawing.Screens.Select(s => ((d.Row.Id, s.Root.Ordinal), s))).Where(s => !narrowOf.ContainsValue(s.Item1)))
        {
            var own = NameWords.Join(NameWords.Split(screen.Name), "-", LongestName) is { Length: > 0 } words ? words : "screen";
            var name = names.Count == 0 ? "index" : own;
            for (var number = 2; name != "index" && !taken.Add(name); number++)
            {
                name = $"{own}-{number}";
            }
            names[at] = name;
        }
        foreach (var (wide, narrow) in narrowOf)
        {
            names[narrow] = names[wide];
        }
        return names;
    }
}
