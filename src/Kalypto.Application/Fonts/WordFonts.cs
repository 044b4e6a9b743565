using Kalypto.Core.Fonts;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Fonts;

/// <summary>The fonts that words are shown in outside Kalypto, as far as they may be handed on.</summary>
public sealed class WordFonts(IRenderer renderer, IBlobs blobs)
{
    /// <summary>The fonts of families as CSS lists them: each with the family that is asked for and what it was found by. The first family shows what Kalypto draws, be it the family itself or what stands in for it.</summary>
    /// <param name="book">The fonts of the project.</param>
    /// <param name="families">A list of families as CSS has it.</param>
    public IEnumerable<(string Family, Font Font, string Drawn)> Of(FontBook book, string families)
    {
        if (FamilyList.Wanted(families) is not { } wanted)
        {
            return [];
        }
        var named = FamilyList.Of(families).Where(f => !FamilyList.IsGeneric(f)).FirstOrDefault(f => book.Has(f) || renderer.StandInFor(f) is null);
        return named is not null && book.Has(named) ? book.Fonts.Where(f => f.Answers(named) && f.Embedding != FontEmbedding.Not).Select(f => (wanted, f, named))
            : renderer.FontFilesOf(named ?? families).Select(f => (wanted, f.Font, named ?? families));
    }

    /// <summary>The file of a font; null when it is none of those, or must not be handed on.</summary>
    /// <param name="book">The fonts of the project.</param>
    /// <param name="drawn">What it was found by.</param>
    /// <param name="sha256">Its SHA-256.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<Stream?> OpenAsync(FontBook book, string drawn, string sha256, CancellationToken cancel)
    {
        if (book.Fonts.Any(f => f.Sha256 == sha256 && f.Embedding != FontEmbedding.Not))
        {
            return await blobs.OpenAsync(sha256, cancel);
        }
        return renderer.FontFilesOf(drawn).FirstOrDefault(f => f.Font.Sha256 == sha256).Path is { } path ? File.OpenRead(path) : null;
    }
}
