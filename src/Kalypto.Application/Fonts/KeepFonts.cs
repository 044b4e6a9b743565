using Kalypto.Application.Opening;
using Kalypto.Core.Fonts;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Fonts;

/// <summary>Adds fonts to a project and takes them out again. All that they draw is measured and drawn anew.</summary>
public sealed class KeepFonts(FontStore fonts, EditStore edits, IRenderer renderer, OpenProject open)
{
    /// <summary>The most fonts of a project.</summary>
    public const int Most = 300;

    private const int MostSaid = 3;

    /// <summary>Adds a font, or those of a collection.</summary>
    /// <param name="author">Who brings it.</param>
    /// <param name="fileName">The name of its file.</param>
    /// <param name="file">TTF, OTF, TTC, OTC, WOFF or WOFF2.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>The fonts, and what became of the step: nothing when it was there already.</returns>
    /// <exception cref="FontRefusedException">It cannot be used.</exception>
    public async Task<(IReadOnlyList<Font> Fonts, StepState State)> AddAsync(Author author, string fileName, byte[] file, CancellationToken cancel)
    {
        var read = await renderer.ReadFontsAsync(file, Core.Naming.PlainText.Clean(fileName, 100), cancel);
        if ((await fonts.OfAsync(author.Project, cancel)).Fonts.Length + read.Count > Most)
        {
            throw new FontRefusedException($"A project has {Most} fonts at the most", "Take out those that nothing asks for on the page of its fonts");
        }
        foreach (var (_, plain) in read)
        {
            await fonts.KeepAsync(author.Project, plain, cancel);
        }
        var added = read.Select(r => r.Font).ToList();
        var done = await edits.MakeAsync(author, new($"Add {Say(added)}") { Fields = [FieldChange.Fonts(author.Project, book => book.With(added))] }, cancel);
        if (done.State == StepState.Done)
        {
            // Whoever looks next does not wait for the measuring.
            await open.LoadAsync(author.Project, cancel);
        }
        return (added, done.State);
    }

    /// <summary>Adds fonts that were found in the drawing of a design, for that design alone.</summary>
    public async Task AddFoundAsync(Author author, int design, IReadOnlyCollection<(Font Font, byte[] File)> found, CancellationToken cancel)
    {
        if ((await fonts.OfAsync(author.Project, cancel)).Fonts.Length + found.Count > Most)
        {
            // Text in them is drawn exactly all the same.
            return;
        }
        foreach (var (_, file) in found)
        {
            await fonts.KeepAsync(author.Project, file, cancel);
        }
        await edits.MakeAsync(author, new($"Use {(found.Count == 1 ? "the font" : $"{found.Count} fonts")} that the drawing brings along")
        {
            Fields = [FieldChange.Fonts(author.Project, book => book.With(found.Select(f => f.Font with { Design = design })))],
        }, cancel);
    }

    /// <summary>Takes a font out. Its file is kept, so that it can be put back.</summary>
    public Task<StepDone> RemoveAsync(Visit visit, Font font, CancellationToken cancel) => edits.MakeAsync(
        visit.Author, new($"Take out the font {Say(font)}") { Fields = [FieldChange.Fonts(visit.Workspace.Row.Id, book => book.Without(font.Sha256))] }, cancel);

    /// <summary>Fonts in words: the one, or how many of which families.</summary>
    public static string Say(IReadOnlyList<Font> some) => some is [var font] ? $"the font {Say(font)}" : $"{some.Count} fonts of {string.Join(", ", some.Select(f => f.Family).Distinct().Take(MostSaid))}";

    /// <summary>A font in words: its family, weight and slant.</summary>
    public static string Say(Font font) => $"{font.Family} {font.Face}";
}
