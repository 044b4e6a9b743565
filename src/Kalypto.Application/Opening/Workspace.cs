using System.Runtime.CompilerServices;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;
using Kalypto.Core.Tokens;
using Kalypto.Store;

namespace Kalypto.Application.Opening;

/// <summary>A project with its designs, loaded for one request.</summary>
/// <param name="Row">The project.</param>
/// <param name="Designs">Its designs with their newest drafts, and what was said of their layers.</param>
/// <param name="Platforms">The platforms packed for.</param>
/// <param name="Repeats">The same drawing in several places.</param>
public sealed record Workspace(
    ProjectRow Row, IReadOnlyList<(DesignRow Row, DesignState State)> Designs, IReadOnlyList<IPlatform> Platforms, RepeatSets Repeats)
{
    // Kept beside the list, so that a copy with other designs finds those.
    private static readonly ConditionalWeakTable<IReadOnlyList<(DesignRow Row, DesignState State)>, Dictionary<int, (DesignRow Row, DesignState State)>> ByNumber = [];

    /// <summary>Designs whose drawing cannot be read any more, and why. Everything else in the project works.</summary>
    public IReadOnlyList<(DesignRow Row, string Why)> Unreadable { get; init; } = [];

    /// <summary>True when one of them may be read at the next try: the reading ended without a word, such as by a kill.</summary>
    public bool IsReadAgain { get; init; }

    /// <summary>The designs alone.</summary>
    public IReadOnlyList<DesignState> States => [.. Designs.Select(d => d.State)];

    /// <summary>What the project says of how its pictures are made.</summary>
    public RecipeBook Recipes => States.Count > 0 ? States[0].Recipes : RecipeBookJson.Read(Row.Recipes);

    /// <summary>What its layers that are built in code share.</summary>
    public TokenBook Tokens => TokenBook.Of(States, TokensSaid.Read(Row.Tokens));

    /// <summary>All that is said in it, to be kept.</summary>
    public ProjectState Said => new(Row, [.. Designs.Select(d => (d.Row, d.State.Marks))]);

    /// <summary>The same with other recipes, as it would be after a change.</summary>
    public Workspace With(RecipeBook recipes) => this with
    {
        Row = Row with { Recipes = RecipeBookJson.Write(recipes) },
        Designs = [.. Designs.Select(d => (d.Row, d.State with { Recipes = recipes }))],
    };

    /// <summary>One design; null when there is none of that number.</summary>
    public (DesignRow Row, DesignState State)? FindDesign(int design) =>
        ByNumber.GetValue(Designs, all => all.ToDictionary(d => d.Row.Id)).TryGetValue(design, out var found) ? found : null;

    /// <summary>A layer of a design; null when there is no such design or layer.</summary>
    public (DesignRow Row, DesignState State, Layer Layer)? FindLayer(int design, int ordinal) =>
        FindDesign(design) is var (row, state) && ordinal >= 0 && ordinal < state.Layers.Length ? (row, state, state.Layers[ordinal]) : null;

    /// <summary>A screen of a design by the layer that stands for it; null when there is no such design or screen.</summary>
    public (DesignRow Row, DesignState State, Screen Screen)? FindScreen(int design, int root) =>
        FindDesign(design) is var (row, state) && state.Measured.Drawing.Screens.FirstOrDefault(s => s.Root.Ordinal == root) is { } screen ? (row, state, screen) : null;

    /// <summary>What holds for a layer.</summary>
    public Mark MarkOf(LayerRef layer) => FindDesign(layer.Design)?.State.Marks.GetValueOrDefault(layer.Ordinal) ?? Mark.None;

    /// <summary>The layers and all places that share what is said of them.</summary>
    public IReadOnlyList<LayerRef> WithRepeats(IEnumerable<LayerRef> layers) => [.. layers.SelectMany(l => Repeats.SharedWith(l, MarkOf)).Distinct()];

    /// <summary>The key of a layer in the store.</summary>
    public LayerKey KeyOf(LayerRef layer) => new(FindDesign(layer.Design)!.Value.Row.DraftId, layer.Ordinal);

    /// <summary>The same with other marks, as they would be after an edit.</summary>
    public Workspace With(IReadOnlyDictionary<LayerRef, Mark> marks) => this with
    {
        Designs = [.. Designs.Select(d => (d.Row, d.State with
        {
            Marks = d.State.Marks.Where(m => !marks.ContainsKey(new(d.Row.Id, m.Key)))
                .Concat(marks.Where(m => m.Key.Design == d.Row.Id).Select(m => KeyValuePair.Create(m.Key.Ordinal, m.Value))).ToDictionary(),
        }))],
    };
}
