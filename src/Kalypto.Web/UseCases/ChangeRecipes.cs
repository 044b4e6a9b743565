using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Models;

namespace Kalypto.Web.UseCases;

/// <summary>Changes the recipes of a project, and says first what that changes.</summary>
public sealed class ChangeRecipes(OpenProject open, ProjectStore projects, EditStore edits)
{
    /// <summary>What a wish comes to.</summary>
    /// <param name="Label">What is done, for the history.</param>
    /// <param name="Make">The new recipes out of the present ones.</param>
    /// <param name="Refusal">Why it cannot be done; null when it can.</param>
    public sealed record Change(string Label, Func<RecipeBook, RecipeBook> Make, string? Refusal = null)
    {
        /// <summary>A wish that cannot be met.</summary>
        public static Change Refused(string why) => new("", book => book, why);
    }

    /// <summary>Reads a wish.</summary>
    public async Task<Change> ReadAsync(Workspace workspace, RecipeWish wish, CancellationToken cancel)
    {
        var kinds = workspace.Recipes.AllKinds.ToHashSet();
        if (wish.Kind is { } kind && wish.Do is not ("add" or "copy") && !kinds.Contains(kind))
        {
            return Change.Refused($"There is no kind “{kind}” any more. Load the page again.");
        }
        switch (wish.Do)
        {
            case "words" or "all":
                var line = TagLine.Parse(wish.Tags ?? "", []);
                if (!line.Mistakes.IsEmpty)
                {
                    return Change.Refused(line.Mistakes[0].Sentence);
                }
                var tags = line.ApplyTo(Tags.Empty);
                if (tags.Kind is not null || tags.State is not null || tags.Parts is not null)
                {
                    return Change.Refused("A kind, a state and parts are said of layers, not in a recipe.");
                }
                if (wish.Do == "all")
                {
                    return new("Recipe for every kind", book => book with { All = tags });
                }
                var platform = wish.Platform is null ? null : AllPlatforms.List.FirstOrDefault(p => p.Id == wish.Platform);
                return wish.Platform is not null && platform is null ? Change.Refused($"There is no platform “{wish.Platform}”.")
                    : new($"Recipe for {wish.Kind}{(platform is null ? "" : $" on {platform.Name}")}", book => book.With(book.For(wish.Kind!).With(wish.Platform, tags)));
            case "credit":
                var lines = new[] { wish.Copyright, wish.Author, wish.Contact }.Select(l => (l ?? "").Trim()).ToArray();
                return lines.Any(l => l.Length > CreditLines.Longest || l.Any(char.IsControl))
                    ? Change.Refused($"A credit line has at most {CreditLines.Longest} characters.")
                    : new("Credit lines", book => book with { Credit = new(lines[0], lines[1], lines[2]) });
            case "budget":
                long? weight = string.IsNullOrWhiteSpace(wish.Weight) ? null : Quality.ParseBytes(wish.Weight.Replace(" ", "", StringComparison.Ordinal));
                return weight is null && !string.IsNullOrWhiteSpace(wish.Weight) ? Change.Refused($"“{wish.Weight}” is no weight. Write one such as 400kB or 2.5MB.")
                    : wish.Kind is null ? new("Budget of the pack", book => book with { Budget = weight })
                    : new($"Budget of {wish.Kind}", book => book with { KindBudgets = weight is { } most ? book.KindBudgets.SetItem(wish.Kind, most) : book.KindBudgets.Remove(wish.Kind) });
            case "folders":
                return wish.Suffix is { } suffix && FolderLayout.IsSuffix(suffix)
                    ? new("Layout of plain folders", book => book with { Layout = new(wish.ByScale, wish.ByFormat, suffix) })
                    : Change.Refused("The suffix holds {} where the scale stands, and else letters, digits, @, dot and dashes.");
            case "add":
                var name = (wish.Kind ?? "").Trim().ToLowerInvariant();
                return kinds.Contains(name) ? Change.Refused($"There is a kind “{name}” already.")
                    : !Kinds.MayName(name) ? Change.Refused($"“{name}” cannot be a kind: 2 to {Kinds.Longest} small letters, digits and dashes, and no other word of the tag line.")
                    : new($"New kind {name}", book => book.With(Recipe.Usual(name)));
            case "remove":
                var used = workspace.States.Sum(d => d.Marks.Values.Count(m => m.Tags.Kind == wish.Kind));
                return used > 0 && !Kinds.All.Contains(wish.Kind!) ? Change.Refused($"{Words.Count(used, "layer")} {(used == 1 ? "is" : "are")} of the kind “{wish.Kind}”. Give {(used == 1 ? "it" : "them")} another kind first.")
                    : new(Kinds.All.Contains(wish.Kind!) ? $"Recipe for {wish.Kind} as it comes" : $"No kind {wish.Kind} any more", book => book.Without(wish.Kind!));
            case "import":
                try
                {
                    var brought = RecipeBookJson.Read(wish.Json ?? "");
                    return Missing(workspace, brought) ?? new("Recipes from a file", _ => brought);
                }
                catch (FormatException e)
                {
                    return Change.Refused(e.Message);
                }
            case "copy":
                if (wish.From is not { } from || await projects.FindAsync(from, cancel) is not { } other)
                {
                    return Change.Refused("That project is not there any more.");
                }
                var copied = RecipeBookJson.Read(other.Recipes);
                if (wish.Kind is { } one)
                {
                    return copied.AllKinds.Contains(one) ? new($"Recipe for {one} of {other.Name}", book => book.With(copied.For(one)))
                        : Change.Refused($"{other.Name} knows no kind “{one}”.");
                }
                return Missing(workspace, copied) ?? new($"Recipes of {other.Name}", _ => copied);
            default:
                return Change.Refused("That cannot be done with recipes. Load the page again.");
        }
    }

    /// <summary>Refuses a book that knows a kind no longer that layers are of.</summary>
    private static Change? Missing(Workspace workspace, RecipeBook book) =>
        workspace.States.SelectMany(d => d.Marks.Values).Select(m => m.Tags.Kind).FirstOrDefault(k => k is not null && !book.AllKinds.Contains(k)) is { } kind
            ? Change.Refused($"These recipes know no kind “{kind}”, which layers here are of. Give those another kind first.") : null;

    /// <summary>Makes a change.</summary>
    public Task MakeAsync(Workspace workspace, string who, Change change, CancellationToken cancel) =>
        edits.ChangeRecipesAsync(new(workspace.Row.Id, who), change.Label, change.Make, cancel);

    /// <summary>What a change would do to the pack, in words.</summary>
    public async Task<(string Effect, PlannedPack After, Workspace Changed)> EffectAsync(Workspace workspace, Change change, CancellationToken cancel)
    {
        var changed = workspace.With(change.Make(workspace.Recipes));
        var before = await open.PlanAsync(workspace, cancel);
        var after = await open.PlanAsync(changed, cancel);
        return (EffectOf(before, after), after, changed);
    }

    /// <summary>How two plans differ: <c>48 layers: 96 files more, 3 fewer, heavier by 210 kB</c>.</summary>
    public static string EffectOf(PlannedPack before, PlannedPack after)
    {
        // Two pictures may want one path until somebody settles it, so a file is told apart by both.
        static Dictionary<(string Path, LayerRef Layer), PlannedFile> ByPath(PlannedPack plan) => plan.Pack.Files.DistinctBy(f => (f.Path, f.Picture.Ref)).ToDictionary(f => (f.Path, f.Picture.Ref));
        var (was, becomes) = (ByPath(before), ByPath(after));
        var more = becomes.Keys.Count(p => !was.ContainsKey(p));
        var fewer = was.Keys.Count(p => !becomes.ContainsKey(p));
        var other = becomes.Where(f => was.TryGetValue(f.Key, out var old) && old.Key != f.Value.Key).ToList();
        var layers = becomes.Keys.Except(was.Keys).Concat(was.Keys.Except(becomes.Keys)).Concat(other.Select(o => o.Key)).Select(f => f.Layer).Distinct().Count();
        if (layers == 0)
        {
            return "the same files";
        }
        var (weightBefore, weightAfter) = (before.WeightOf(before.Pack.Files), after.WeightOf(after.Pack.Files));
        var by = weightAfter.Bytes - weightBefore.Bytes;
        var parts = new[]
        {
            more > 0 ? $"{Words.Count(more, "file")} more" : null,
            fewer > 0 ? $"{fewer} fewer" : null,
            other.Count > 0 ? $"{Words.Count(other.Count, "file")} made otherwise" : null,
            by == 0 ? null : $"{(by > 0 ? "heavier" : "lighter")} by {Words.Weight((Math.Abs(by), weightBefore.IsEstimate || weightAfter.IsEstimate))}",
        };
        return $"{Words.Count(layers, "layer")}: {string.Join(", ", parts.Where(p => p is not null))}";
    }
}
