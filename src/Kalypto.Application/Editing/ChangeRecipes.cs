using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Formats;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Editing;

/// <summary>Changes the recipes of a project, and says first what that changes.</summary>
public sealed class ChangeRecipes(PlanPack plans, ProjectStore projects, EditStore edits)
{
    /// <summary>What a wish comes to.</summary>
    /// <param name="Label">What is done, for the history.</param>
    /// <param name="Make">The new recipes out of the present ones.</param>
    /// <param name="Refusal">Why it cannot be done; null when it can.</param>
    public sealed record Change(string Label, Func<RecipeBook, RecipeBook> Make, RecipeRefusal? Refusal = null)
    {
        /// <summary>A wish that cannot be met.</summary>
        public static Change Refused(RecipeRefusal.Why why, string about = "", int layers = 0, string from = "") => new("", book => book, new(why, about, layers, from));
    }

    /// <summary>Reads a wish.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="wish">The wish.</param>
    /// <param name="reader">The account of whoever asks, which must be able to read another project to copy from it; null for one who may read all.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<Change> ReadAsync(Workspace workspace, RecipeWish wish, int? reader, CancellationToken cancel)
    {
        if (wish.Kind is { } kind && wish.Do is not ("add" or "copy") && !workspace.Recipes.AllKinds.Contains(kind))
        {
            return Change.Refused(RecipeRefusal.Why.NoSuchKind, kind);
        }
        return wish.Do switch
        {
            "words" or "all" => Said(wish),
            "credit" => Credit(wish),
            "budget" => Budget(wish),
            "folders" => wish.Suffix is { } suffix && FolderLayout.IsSuffix(suffix)
                ? new("Layout of plain folders", book => book with { Layout = new(wish.ByScale, wish.ByFormat, suffix) }) : Change.Refused(RecipeRefusal.Why.NoSuffix),
            "brackets" => new(wish.DrawingDecides ? "Formats in the drawing ship" : "Formats in the drawing do not ship", book => book with { DrawingDecides = wish.DrawingDecides }),
            "code" => Code(new(wish.ClassName?.Trim() ?? "", wish.KotlinPackage?.Trim() ?? "", wish.Namespace?.Trim() ?? "", wish.IsWpf)),
            "add" => Add(workspace, (wish.Kind ?? "").Trim().ToLowerInvariant()),
            "remove" => Remove(workspace, wish.Kind!),
            "import" => Import(workspace, wish.Json ?? ""),
            "copy" => await CopyAsync(workspace, wish, reader, cancel),
            _ => Change.Refused(RecipeRefusal.Why.NoSuchWish),
        };
    }

    /// <summary>Makes a change.</summary>
    public Task<StepDone> MakeAsync(Visit visit, Change change, CancellationToken cancel) =>
        edits.MakeAsync(visit.Author, new(change.Label) { Fields = [FieldChange.Recipes(visit.Workspace.Row.Id, change.Make)] }, cancel);

    /// <summary>What a change would do to the pack.</summary>
    public async Task<(PackEffect Effect, PlannedPack After, Workspace Changed)> EffectAsync(Workspace workspace, Change change, CancellationToken cancel)
    {
        var changed = workspace.With(change.Make(workspace.Recipes));
        var after = await plans.PlanAsync(changed, cancel);
        return (PackEffect.Of(await plans.PlanAsync(workspace, cancel), after), after, changed);
    }

    private static Change Code(CodeStyle code) =>
        code.Mistake is { } mistake ? Change.Refused(RecipeRefusal.Why.NoNamesForCode, mistake) : new("Names for code", book => book with { Code = code });

    private static Change Said(RecipeWish wish)
    {
        var line = TagLine.Parse(wish.Tags ?? "", []);
        if (!line.Mistakes.IsEmpty)
        {
            return Change.Refused(RecipeRefusal.Why.NotTags, line.Mistakes[0].Sentence);
        }
        var tags = line.ApplyTo(Tags.Empty);
        if (tags.Kind is not null || tags.State is not null || tags.Parts is not null)
        {
            return Change.Refused(RecipeRefusal.Why.OfLayersOnly);
        }
        if (wish.Do == "all")
        {
            return new("Recipe for every kind", book => book with { All = tags });
        }
        var platform = wish.Platform is null ? null : AllPlatforms.List.FirstOrDefault(p => p.Id == wish.Platform);
        return wish.Platform is not null && platform is null ? Change.Refused(RecipeRefusal.Why.NoSuchPlatform, wish.Platform)
            : new($"Recipe for {wish.Kind}{(platform is null ? "" : $" on {platform.Name}")}", book => book.With(book.For(wish.Kind!).With(wish.Platform, tags)));
    }

    private static Change Credit(RecipeWish wish)
    {
        var lines = new[] { wish.Copyright, wish.Author, wish.Contact }.Select(l => (l ?? "").Trim()).ToArray();
        return lines.Any(l => l.Length > CreditLines.Longest || l.Any(char.IsControl)) ? Change.Refused(RecipeRefusal.Why.CreditLine)
            : new("Credit lines", book => book with { Credit = new(lines[0], lines[1], lines[2]) });
    }

    private static Change Budget(RecipeWish wish)
    {
        long? weight = string.IsNullOrWhiteSpace(wish.Weight) ? null : Quality.ParseBytes(wish.Weight.Replace(" ", "", StringComparison.Ordinal));
        return weight is null && !string.IsNullOrWhiteSpace(wish.Weight) ? Change.Refused(RecipeRefusal.Why.NoWeight, wish.Weight)
            : wish.Kind is null ? new("Budget of the pack", book => book with { Budget = weight })
            : new($"Budget of {wish.Kind}", book => book with { KindBudgets = weight is { } most ? book.KindBudgets.SetItem(wish.Kind, most) : book.KindBudgets.Remove(wish.Kind) });
    }

    private static Change Add(Workspace workspace, string name) => workspace.Recipes.AllKinds.Contains(name) ? Change.Refused(RecipeRefusal.Why.KindExists, name)
        : !Kinds.MayName(name) ? Change.Refused(RecipeRefusal.Why.KindName, name)
        : new($"New kind {name}", book => book.With(Recipe.Usual(name)));

    private static Change Remove(Workspace workspace, string kind)
    {
        var isBuiltIn = Kinds.All.Contains(kind);
        var used = isBuiltIn ? 0 : workspace.States.Sum(d => d.Marks.Values.Count(m => m.Tags.Kind == kind));
        return used > 0 ? Change.Refused(RecipeRefusal.Why.KindIsUsed, kind, used)
            : new(isBuiltIn ? $"Recipe for {kind} as it comes" : $"No kind {kind} any more", book => book.Without(kind));
    }

    private static Change Import(Workspace workspace, string json)
    {
        try
        {
            var brought = RecipeBookJson.Read(json);
            return Missing(workspace, brought) ?? new("Recipes from a file", _ => brought);
        }
        catch (FormatException e)
        {
            return Change.Refused(RecipeRefusal.Why.NotRecipes, e.Message);
        }
    }

    private async Task<Change> CopyAsync(Workspace workspace, RecipeWish wish, int? reader, CancellationToken cancel)
    {
        if (wish.From is not { } from || await projects.FindReadableAsync(from, reader, cancel) is not { } other)
        {
            return Change.Refused(RecipeRefusal.Why.NoSuchProject);
        }
        var copied = RecipeBookJson.Read(other.Recipes);
        if (wish.Kind is { } one)
        {
            return copied.AllKinds.Contains(one) ? new($"Recipe for {one} of {other.Name}", book => book.With(copied.For(one)))
                : Change.Refused(RecipeRefusal.Why.NotThere, one, from: other.Name);
        }
        return Missing(workspace, copied) ?? new($"Recipes of {other.Name}", _ => copied);
    }

    /// <summary>Refuses a book that knows a kind no longer that layers are of.</summary>
    private static Change? Missing(Workspace workspace, RecipeBook book) =>
        workspace.States.SelectMany(d => d.Marks.Values).Select(m => m.Tags.Kind).FirstOrDefault(k => k is not null && !book.AllKinds.Contains(k)) is { } kind
            ? Change.Refused(RecipeRefusal.Why.KindWouldGo, kind) : null;
}
