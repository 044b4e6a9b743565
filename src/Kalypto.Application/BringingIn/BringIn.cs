using System.IO.Compression;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Kalypto.Application.Desk;
using Kalypto.Application.Drafts;
using Kalypto.Application.Fonts;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Naming;
using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.BringingIn;

/// <summary>Brings drawings into a project. One is made for them only when something could be read.</summary>
public sealed class BringIn(ProjectStore projects, DesignStore designs, KnownDesign known, HoldDraft drafts, IDrawingReader reader, IRenderer renderer, ISources sources, ScreenProofs proofs, FontStore fontsOf, KeepFonts fonts)
{
    /// <summary>The most bytes of one upload.</summary>
    public const long MostBytes = 260_000_000;

    /// <summary>The most entries of a zip.</summary>
    public const int MostEntries = 500;

    private const int LongestName = 80;

    // What is only just coming in has no number yet.
    private const int NoDesign = 0;

    /// <summary>Reads a file, or every drawing in a zip, and adds each as a design. A file that cannot be read changes nothing and stops no other.</summary>
    public async IAsyncEnumerable<BroughtIn> FilesAsync(Target target, string fileName, byte[] file, [EnumeratorCancellation] CancellationToken cancel)
    {
        if (FileTypes.Of(file) != FileType.Zip || FileTypes.IsOpenRaster(file))
        {
            await foreach (var told in ToldAsync(target, fileName, file, fileName, cancel))
            {
                yield return told;
            }
            yield break;
        }
        var (zip, refusal) = OpenZip(file);
        if (refusal is { } why)
        {
            yield return new BroughtIn.ZipRefused(fileName, why);
            yield break;
        }
        using (zip)
        {
            var left = MostBytes;
            // Fonts belong to the project that the drawings make.
            foreach (var entry in zip!.Entries.Where(e => e.Name.Length > 0 && (IsDrawing(e) || IsFont(e.Name)) && !e.FullName.StartsWith("__MACOSX/", StringComparison.Ordinal)).OrderBy(e => IsFont(e.Name)))
            {
                var bytes = await UnpackAsync(entry, Math.Min(left, ReadingLimits.Default.Bytes), cancel);
                left -= bytes?.Length ?? 0;
                if (bytes is null)
                {
                    yield return new BroughtIn.TooLarge(entry.Name, Math.Max(entry.Length, ReadingLimits.Default.Bytes));
                    continue;
                }
                await foreach (var told in ToldAsync(target, entry.Name, bytes, fileName, cancel))
                {
                    yield return told;
                }
            }
        }
    }

    /// <summary>A file, and how far it is while it comes in.</summary>
    private async IAsyncEnumerable<BroughtIn> ToldAsync(Target target, string fileName, byte[] file, string dropped, [EnumeratorCancellation] CancellationToken cancel)
    {
        var told = Channel.CreateUnbounded<BroughtIn>();
        var end = BringAndCloseAsync();
        await foreach (var reached in told.Reader.ReadAllAsync(cancel))
        {
            yield return reached;
        }
        yield return await end;

        async Task<BroughtIn> BringAndCloseAsync()
        {
            try
            {
                return await FileAsync(target, fileName, file, dropped, cancel, told.Writer);
            }
            finally
            {
                told.Writer.Complete();
            }
        }
    }

    /// <summary>Reads a file and adds it as a design; a file that cannot be read changes nothing.</summary>
    /// <param name="target">Where.</param>
    /// <param name="fileName">Its name.</param>
    /// <param name="file">Its bytes.</param>
    /// <param name="dropped">The file that was dropped, whose name a new project gets: itself, or the zip that it lay in.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="told">Where it says how far it is.</param>
    public async Task<BroughtIn> FileAsync(Target target, string fileName, byte[] file, string dropped, CancellationToken cancel, ChannelWriter<BroughtIn>? told = null)
    {
        if (FontFile.Is(file))
        {
            return await FontAsync(target, fileName, file, cancel);
        }
        var name = DesignName(fileName);
        try
        {
            file = await ReadableFile.OfAsync(renderer, file, cancel);
            var drawing = await reader.ReadAsync(file, name, cancel);
            using var loan = sources.Lend(file);
            var found = FileTypes.Of(file) == FileType.Other ? await renderer.FontsInAsync(file, cancel) : [];
            var book = target.Project is { } lettered ? (await fontsOf.OfAsync(lettered, cancel)).OfDesign(NoDesign) : FontBook.Empty;
            drawing = drawing.With(book.With(found.Select(f => f.Font)));
            var shapes = await renderer.MeasureAsync(drawing, told is null ? null : new Reached(fileName, drawing.Layers.Length - 1, told), cancel);
            var read = new ReadDrawing(fileName, file, new(drawing, shapes) { Merged = await BesideMerged.ShareAsync(renderer, drawing, file, cancel) });
            var (same, like) = target.Project is { } there ? await NextOfAsync(target, there, name, read, cancel) : (null, null);
            if (same is not null)
            {
                target.Touched.Add(same.Id);
                await KeepFoundAsync(target, same.Id, fileName, found, cancel);
                var next = await NextAsync(target, same, read, cancel);
                await ProveAsync(target.Project!.Value, same.Id, read, cancel);
                return next;
            }
            var drawnAt = DrawnScale.Of(drawing);
            var project = await target.ProjectAsync(() => projects.AddAsync(DesignName(dropped), AllPlatforms.Usual, target.Actor, cancel));
            if (await designs.AddAsync(new(project, target.Actor), new(name, drawnAt, fileName, file, shapes) { MeasuredWith = drawing.Fonts.Key, Merged = read.Measured.Merged, Marks = await DecidedAsync(project, drawing, cancel) }, cancel) is not { } design)
            {
                return new BroughtIn.NoProject(fileName);
            }
            target.Touched.Add(design);
            await KeepFoundAsync(target, design, fileName, found, cancel);
            await ProveAsync(project, design, read, cancel);
            return new BroughtIn.Read(fileName, project, design, drawing.Layers.Length - 1, drawing.Screens.Length, drawnAt) { Like = like };
        }
        catch (DrawingRefusedException e)
        {
            return new BroughtIn.Refused(fileName, e);
        }
    }

    /// <summary>True for a file that is a font by its ending.</summary>
    public static bool IsFont(string fileName) => FontFile.Endings.Contains(Path.GetExtension(fileName).TrimStart('.').ToLowerInvariant());

    private Task KeepFoundAsync(Target target, int design, string fileName, IReadOnlyList<(Font Font, byte[] File)> found, CancellationToken cancel) => found.Count == 0 ? Task.CompletedTask
        : fonts.AddFoundAsync(new(target.Project!.Value, target.Actor), design, [.. found.Select(f => (f.Font with { FileName = fileName }, f.File))], cancel);

    private async Task<BroughtIn> FontAsync(Target target, string fileName, byte[] file, CancellationToken cancel)
    {
        if (target.Project is not { } project)
        {
            return new BroughtIn.FontAlone(fileName);
        }
        try
        {
            var (added, state) = await fonts.AddAsync(new(project, target.Actor), fileName, file, cancel);
            return state is StepState.Done or StepState.Nothing ? new BroughtIn.Lettered(fileName, added, state == StepState.Done) : new BroughtIn.NoProject(fileName);
        }
        catch (FontRefusedException e)
        {
            return new BroughtIn.FontRefused(fileName, e);
        }
    }

    /// <summary>The name of a design: that of its file, without folders and ending, as words.</summary>
    public static string DesignName(string fileName)
    {
        var name = Path.GetFileNameWithoutExtension(fileName.Replace('\\', '/')).Replace('_', ' ').Replace('-', ' ');
        name = PlainText.Clean(name, LongestName);
        return name.Length == 0 ? "Drawing" : char.ToUpperInvariant(name[0]) + name[1..];
    }

    private async Task<IReadOnlyDictionary<int, Mark>> DecidedAsync(int project, DrawingTree drawing, CancellationToken cancel) =>
        DrawnDecisions.ShippedBy(drawing, RecipeBookJson.Read((await projects.FindAsync(project, cancel))?.Recipes ?? "")).ToDictionary(o => o, _ => Mark.None with { Decision = Decision.Ship });

    // Whoever opens it asks again, should this be missed.
    private async Task ProveAsync(int project, int design, ReadDrawing read, CancellationToken cancel)
    {
        if (await designs.HeldAsync(project, design, cancel) is var (draft, _, _))
        {
            await proofs.AskAsync([(draft, read.Measured)], cancel);
        }
    }

    private async Task<(DesignName? Same, DesignName? Like)> NextOfAsync(Target target, int project, string name, ReadDrawing read, CancellationToken cancel) => target.Design is { } wanted
        ? ((await designs.NamesAsync(project, cancel)).Find(d => d.Id == wanted), null) : await known.FindAsync(target, project, name, read, cancel);

    private async Task<BroughtIn> NextAsync(Target target, DesignName design, ReadDrawing read, CancellationToken cancel)
    {
        var author = new Author(target.Project!.Value, target.Actor);
        var known = (await designs.DraftsAsync(design.Id, cancel)).Find(d => d.FileSha256 == Fingerprint.Of(read.File).Hex);
        if (known is not null && known.Id == design.Draft)
        {
            return new BroughtIn.Unchanged(read.FileName, author.Project, design.Id, design.Name);
        }
        var before = await designs.HeldAsync(author.Project, design.Id, cancel);
        // An earlier draft that comes again is no new one.
        var draft = known is null ? await drafts.BringAsync(author, design.Id, read, cancel)
            : (await drafts.HoldAsync(author, design.Id, known.Id, cancel)).State == StepState.Done ? known : null;
        var now = await designs.HeldAsync(author.Project, design.Id, cancel);
        return draft is null ? new BroughtIn.NoProject(read.FileName)
            : new BroughtIn.Next(read.FileName, author.Project, design.Id, design.Name, draft) { DrawnAt = now?.DrawnAt != before?.DrawnAt ? now?.DrawnAt : null };
    }

    private static bool IsDrawing(ZipArchiveEntry entry) => DrawingReader.Endings.Contains(Path.GetExtension(entry.Name).TrimStart('.').ToLowerInvariant());

    private static (ZipArchive? Zip, ZipRefusal? Refusal) OpenZip(byte[] file)
    {
        try
        {
            var zip = new ZipArchive(new MemoryStream(file, writable: false), ZipArchiveMode.Read);
            return zip.Entries.Count > MostEntries ? (null, ZipRefusal.TooMany) : zip.Entries.Any(e => IsDrawing(e) || IsFont(e.Name)) ? (zip, null) : (null, ZipRefusal.NoDrawing);
        }
        catch (InvalidDataException)
        {
            return (null, ZipRefusal.NotWhole);
        }
    }

    // The size that a zip says of itself proves nothing; what is unpacked is counted.
    private static async Task<byte[]?> UnpackAsync(ZipArchiveEntry entry, long most, CancellationToken cancel)
    {
        try
        {
            await using var source = await entry.OpenAsync(cancel);
            using var target = new MemoryStream();
            var buffer = new byte[81920];
            for (int read; (read = await source.ReadAsync(buffer, cancel)) > 0;)
            {
                if (target.Length + read > most)
                {
                    return null;
                }
                target.Write(buffer, 0, read);
            }
            return target.ToArray();
        }
        catch (InvalidDataException)
        {
            return [];
        }
    }

    /// <summary>Says at once what is reached, in order.</summary>
    private sealed class Reached(string file, int of, ChannelWriter<BroughtIn> told) : IProgress<int>
    {
        public void Report(int value) => told.TryWrite(new BroughtIn.Measuring(file, Math.Min(value, of), of));
    }
}
