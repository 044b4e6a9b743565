using System.Collections.Concurrent;
using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Tagging;

/// <summary>What a project says of how its pictures are made: recipes, credit and budgets.</summary>
public sealed record RecipeBook
{
    private const int MostKnown = 10_000;
    private Worked<ConcurrentDictionary<(string Kind, string Platform, string Said), Making>> makings;

    /// <summary>What comes with Kalypto.</summary>
    public static RecipeBook Usual { get; } = new();

    /// <summary>Recipes that differ from those that come with Kalypto, by kind, with those of the team's own kinds.</summary>
    public ImmutableSortedDictionary<string, Recipe> Own { get; init; } = ImmutableSortedDictionary.Create<string, Recipe>(StringComparer.Ordinal);

    /// <summary>What holds for every kind that does not say otherwise.</summary>
    public Tags All { get; init; } = Tags.Empty;

    /// <summary>The lines that files with credit carry.</summary>
    public CreditLines Credit { get; init; } = CreditLines.None;

    /// <summary>The most bytes that the whole pack should weigh; null for any weight.</summary>
    public long? Budget { get; init; }

    /// <summary>The most bytes that all files of a kind should weigh.</summary>
    public ImmutableSortedDictionary<string, long> KindBudgets { get; init; } = ImmutableSortedDictionary.Create<string, long>(StringComparer.Ordinal);

    /// <summary>How plain folders are laid out.</summary>
    public FolderLayout Layout { get; init; } = FolderLayout.Usual;

    /// <summary>True when a format in the brackets behind a layer's name in the drawing decides that it ships.</summary>
    public bool DrawingDecides { get; init; } = true;

    /// <summary>What the files with names for code say of the team's projects.</summary>
    public CodeStyle Code { get; init; } = CodeStyle.Usual;

    /// <summary>The team's own kinds.</summary>
    public IReadOnlyCollection<string> OwnKinds => [.. Own.Keys.Where(k => !Kinds.All.Contains(k))];

    /// <summary>All kinds, the built-in ones first.</summary>
    public IEnumerable<string> AllKinds => Kinds.All.Concat(OwnKinds);

    /// <summary>The recipe of a kind; of an unknown one that of a picture.</summary>
    public Recipe For(string kind) => Own.GetValueOrDefault(kind) ?? Recipe.Usual(kind);

    /// <summary>The book with another recipe; one that is what comes with Kalypto is not kept.</summary>
    public RecipeBook With(Recipe recipe) =>
        this with { Own = recipe.Equals(Recipe.Usual(recipe.Kind)) && Kinds.All.Contains(recipe.Kind) ? Own.Remove(recipe.Kind) : Own.SetItem(recipe.Kind, recipe) };

    /// <summary>The book without a recipe: a built-in kind is made as Kalypto brings it, a kind of the team's own is no more.</summary>
    public RecipeBook Without(string kind) => this with { Own = Own.Remove(kind), KindBudgets = Kinds.All.Contains(kind) ? KindBudgets : KindBudgets.Remove(kind) };

    /// <summary>All that is said of a layer of a kind on a platform, nearest first.</summary>
    /// <param name="near">What is said nearer than the recipe.</param>
    /// <param name="kind">The kind.</param>
    /// <param name="platform">The id of the platform; null for what holds where no platform says otherwise.</param>
    public Holding Holding(IEnumerable<(Origin Origin, Tags Tags)> near, string kind, string? platform)
    {
        var recipe = For(kind);
        return new([.. near, .. platform is not null && recipe.For.TryGetValue(platform, out var only) ? new[] { (Origin.PlatformRecipe, only) } : [],
            (Origin.KindRecipe, recipe.Base), (Origin.Project, All)]);
    }

    /// <summary>What holds for a layer of a kind on a platform; worked out once for all layers of which the same is said.</summary>
    /// <param name="near">What is said nearer than the recipe.</param>
    /// <param name="kind">The kind.</param>
    /// <param name="platform">The id of the platform; null for what holds where no platform says otherwise.</param>
    public Making MakingOf(IReadOnlyList<(Origin Origin, Tags Tags)> near, string kind, string? platform)
    {
        var said = near.Count switch { 0 => "", 1 => near[0].Tags.ToString(), _ => string.Join('|', near.Select(n => n.Tags)) };
        var known = makings.Of(this, () => new());
        if (known.Count > MostKnown)
        {
            known.Clear();
        }
        return known.GetOrAdd((kind, platform ?? "", said), _ => Making.Of(kind, Holding(near, kind, platform)));
    }

    /// <inheritdoc/>
    public bool Equals(RecipeBook? other) => other is not null && RecipeBookJson.Write(this) == RecipeBookJson.Write(other);

    /// <inheritdoc/>
    public override int GetHashCode() => RecipeBookJson.Write(this).GetHashCode(StringComparison.Ordinal);
}
