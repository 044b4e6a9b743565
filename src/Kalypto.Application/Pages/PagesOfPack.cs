using Kalypto.Application.Opening;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Pages;

namespace Kalypto.Application.Pages;

/// <summary>The pages of a pack: one a screen, the first one the start, all in one folder with what they show.</summary>
public sealed class PagesOfPack(ComposePage compose)
{
    private const int LongestName = 60;

    /// <summary>What lies in the folder of pages but the pictures of the pack: texts, and fonts by their SHA-256.</summary>
    /// <param name="Path">From the folder, with slashes.</param>
    /// <param name="Text">Its content; null for a font.</param>
    /// <param name="Font">The font, and the families that it was found by; null for a text.</param>
    public sealed record Beside(string Path, string? Text, (string Sha256, string Drawn)? Font);

    /// <summary>Writes the pages of a project.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="built">The picture files of the pages that are there.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<IReadOnlyList<Beside>> WriteAsync(Workspace workspace, IReadOnlyList<PlannedFile> built, CancellationToken cancel)
    {
        var names = NamesOf(workspace);
        var all = new SortedDictionary<string, Beside>(StringComparer.Ordinal);
        foreach (var ((design, root), name) in names)
        {
            var styles = name == "index" ? "styles.css" : $"{name}.css";
            if (await compose.RunAsync(workspace, built, design, root, (d, s) => PageAddress.Of($"{names[(d, s.Root.Ordinal)]}.html"), cancel) is not { } page)
            {
                continue;
            }
            page = page with { Styles = styles };
            Add(new($"{name}.html", page.Plain.HtmlText, null));
            Add(new(styles, page.Plain.CssText, null));
            foreach (var file in page.Files.Where(f => f.Planned is null))
            {
                Add(new(file.Path, file.Drawing, file.Font));
            }
        }
        return [.. all.Values];

        void Add(Beside file) => all[file.Path] = file;
    }

    /// <summary>The names of the pages by design and the layer that stands for the screen: the first one is <c>index</c>.</summary>
    public static IReadOnlyDictionary<(int Design, int Root), string> NamesOf(Workspace workspace)
    {
        var names = new Dictionary<(int, int), string>();
        var taken = new HashSet<string>(StringComparer.Ordinal) { "index", "styles" };
        foreach (var (design, screen) in workspace.Designs.SelectMany(d => d.State.Measured.Drawing.Screens.Select(s => (d.Row.Id, s))))
        {
            var own = NameWords.Join(NameWords.Split(screen.Name), "-", LongestName) is { Length: > 0 } words ? words : "screen";
            var name = names.Count == 0 ? "index" : own;
            for (var number = 2; name != "index" && !taken.Add(name); number++)
            {
                name = $"{own}-{number}";
            }
            names[(design, screen.Root.Ordinal)] = name;
        }
        return names;
    }
}
