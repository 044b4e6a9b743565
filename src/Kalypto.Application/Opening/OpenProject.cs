using System.Collections.Concurrent;
using Kalypto.Application.Desk;
using Kalypto.Core.Deciding;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Opening;

/// <summary>
/// Loads projects: one question to the database, which answers with what was changed since the project was last loaded here.
/// What was not changed is kept, down to what was worked out of it.
/// </summary>
public sealed class OpenProject(ProjectStore projects, DrawingCache cache, DrawingOptions options)
{
    private const int MostBooks = 200;

    // The same text gives the same book, which remembers what it worked out.
    private static readonly ConcurrentDictionary<string, RecipeBook> Recipes = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<int, Kept> kept = new();
    private long clock;

    /// <summary>Loads a project; null when there is none of that number, or not any more.</summary>
    public async Task<Workspace?> LoadAsync(int id, CancellationToken cancel)
    {
        var known = kept.GetValueOrDefault(id);
        var changes = await projects.ChangesAsync(id, known?.Workspace.Row.Revision ?? 0, cancel);
        if (changes is null)
        {
            kept.TryRemove(id, out _);
            return null;
        }
        if (known is null || changes.Project.Revision != known.Workspace.Row.Revision)
        {
            var designs = known?.Designs.ToDictionary(d => d.Design.Id) ?? [];
            foreach (var design in changes.Designs)
            {
                designs[design.Id] = (design, changes.Marks[design.Id]);
            }
            List<(DesignRow Design, IReadOnlyDictionary<int, Mark> Marks)> there =
                [.. designs.Values.Where(d => d.Design.RemovedAt is null).OrderBy(d => d.Design.Position).ThenBy(d => d.Design.Id)];
            var workspace = await LoadAsync(new ProjectState(changes.Project, there), cancel, known?.Workspace);
            if (workspace.Unreadable.Count > 0)
            {
                // It may be readable at the next look.
                return workspace;
            }
            known = new(workspace, there, workspace.Designs.Sum(d => cache.BytesOf(d.Row.DraftId)));
            // Whoever loaded a later state meanwhile knows better.
            kept.AddOrUpdate(id, known, (_, other) => other.Workspace.Row.Revision > changes.Project.Revision ? other : known);
            Trim(id);
        }
        known.Used = Interlocked.Increment(ref clock);
        return known.Workspace;
    }

    /// <summary>Loads a project as it was at some moment.</summary>
    /// <param name="state">The project and what was said in it.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="before">The same project as it was last loaded: what is equal in it is taken over.</param>
    public async Task<Workspace> LoadAsync(ProjectState state, CancellationToken cancel, Workspace? before = null)
    {
        var row = state.Project;
        var fonts = FontBooks.Of(row.Fonts);
        var (drawn, refused) = await cache.GetReadableAsync([.. state.Designs.Select(d => new WantedDrawing(d.Design.DraftId, d.Design.Arrangement, fonts.OfDesign(d.Design.Id)))], cancel);
        // A design that was removed for good since is no longer part of it.
        var designs = state.Designs.Where(d => drawn.ContainsKey(d.Design.DraftId)).Select(d => (Row: d.Design with { Fonts = fonts.OfDesign(d.Design.Id) }, Drawing: drawn[d.Design.DraftId], d.Marks)).ToList();
        var repeats = before?.Repeats is { } known && known.AreOf(designs.Select(d => (d.Row.Id, d.Drawing))) ? known : new([.. designs.Select(d => (d.Row.Id, d.Drawing))]);
        var marks = repeats.Shared(designs.ToDictionary(d => d.Row.Id, d => d.Marks));
        if (Recipes.Count > MostBooks)
        {
            Recipes.Clear();
        }
        var recipes = Recipes.GetOrAdd(row.Recipes, RecipeBookJson.Read);
        return new(row, [.. designs.Select(d => (d.Row, StateOf(d.Row, d.Drawing, marks[d.Row.Id], recipes, before)))],
            [.. AllPlatforms.List.Where(p => row.Platforms.Contains(p.Id))], repeats)
        {
            Unreadable = [.. state.Designs.Where(d => refused.ContainsKey(d.Design.DraftId)).Select(d => (d.Design, refused[d.Design.DraftId].Message))],
            IsReadAgain = refused.Values.Any(r => r.IsPassing),
        };
    }

    private static DesignState StateOf(DesignRow row, MeasuredDrawing drawing, IReadOnlyDictionary<int, Mark> marks, RecipeBook recipes, Workspace? before) =>
        before?.FindDesign(row.Id) is var (_, known) && known.Measured == drawing && known.Name == row.Name && known.DrawnAt == row.DrawnAt && known.Recipes == recipes && known.Credit == row.Credit
            && AreEqual(known.Marks, marks) ? known : new(row.Id, row.Name, row.DrawnAt, drawing, marks) { Recipes = recipes, Credit = row.Credit };

    private static bool AreEqual(IReadOnlyDictionary<int, Mark> a, IReadOnlyDictionary<int, Mark> b) =>
        ReferenceEquals(a, b) || a.Count == b.Count && a.All(m => b.TryGetValue(m.Key, out var other) && other == m.Value);

    // The project that was just loaded stays, whatever it takes.
    private void Trim(int loaded)
    {
        var bytes = kept.Values.Sum(k => k.Bytes);
        foreach (var (id, old) in kept.Where(k => k.Key != loaded).OrderBy(k => k.Value.Used).ToList())
        {
            if (bytes <= options.DrawingsInMemory)
            {
                return;
            }
            if (kept.TryRemove(id, out _))
            {
                bytes -= old.Bytes;
            }
        }
    }

    private sealed class Kept(Workspace workspace, IReadOnlyList<(DesignRow Design, IReadOnlyDictionary<int, Mark> Marks)> designs, long bytes)
    {
        public Workspace Workspace => workspace;

        public IReadOnlyList<(DesignRow Design, IReadOnlyDictionary<int, Mark> Marks)> Designs => designs;

        public long Bytes => bytes;

        public long Used { get; set; }
    }
}
