using System.Globalization;
using Kalypto.Core.Arranging;
using Kalypto.Core.Fonts;
using Kalypto.Core.Tagging;
using Kalypto.Core.Tokens;

namespace Kalypto.Store;

/// <summary>A change to something that is said of a project, a design or a draft as a whole.</summary>
public sealed record FieldChange
{
    private FieldChange(string field, int of, Func<string?, string?> change) => (Field, Of, Change) = (field, of, (before, _) => change(before));

    private FieldChange(string field, int of, Func<string?, Lineages, string?> change) => (Field, Of, Change) = (field, of, change);

    internal string Field { get; }

    /// <summary>The project, design or draft.</summary>
    public int Of { get; }

    /// <summary>The new value as text out of the present one and the lineages of the draft that holds, where there is one.</summary>
    internal Func<string?, Lineages, string?> Change { get; }

    /// <summary>The recipes of a project.</summary>
    public static FieldChange Recipes(int project, Func<RecipeBook, RecipeBook> change) => new("recipes", project, before =>
    {
        var after = RecipeBookJson.Write(change(RecipeBookJson.Read(before ?? "")));
        return string.IsNullOrEmpty(before) && after == RecipeBookJson.Write(RecipeBook.Usual) ? before : after;
    });

    /// <summary>The platforms that a project is packed for, by their ids, which hold small letters alone.</summary>
    public static FieldChange Platforms(int project, Func<IReadOnlyList<string>, IEnumerable<string>> change) => new("platforms", project,
        before => $"{{{string.Join(',', change((before ?? "{}").Trim('{', '}').Split(',', StringSplitOptions.RemoveEmptyEntries)))}}}");

    /// <summary>What a project says of checks, as JSON.</summary>
    public static FieldChange Checks(int project, Func<string, string> change) => new("checks", project, before => change(before ?? ""));

    /// <summary>The fonts that a project has of its own.</summary>
    public static FieldChange Fonts(int project, Func<FontBook, FontBook> change) => new("fonts", project, before => change(FontBook.Read(before ?? "")).ToJson());

    /// <summary>What a project says of its tokens.</summary>
    public static FieldChange Tokens(int project, Func<TokensSaid, TokensSaid> change) => new("tokens", project, before => change(TokensSaid.Read(before ?? "")).ToJson());

    /// <summary>The name of a project.</summary>
    public static FieldChange ProjectName(int project, string name) => new("project name", project, _ => name);

    /// <summary>What a project is, in words.</summary>
    public static FieldChange Description(int project, string text) => new("description", project, _ => text);

    /// <summary>When a project was put away; null for not at all.</summary>
    public static FieldChange Archived(int project, DateTime? at) => new("archived", project, _ => Text(at));

    /// <summary>When a project was deleted; null for not at all.</summary>
    public static FieldChange Deleted(int project, DateTime? at) => new("deleted", project, _ => Text(at));

    /// <summary>How a design is arranged, in the draft that holds.</summary>
    public static FieldChange Arrangement(int design, Func<Arrangement, Arrangement> change) => new("arrangement", design, (before, draft) =>
        Core.Arranging.Arrangement.Parse(before ?? "") is var kept ? kept.Keep(change(kept.In(draft)), draft).ToString() : null);

    /// <summary>How a design is arranged, as it is kept for all drafts.</summary>
    public static FieldChange KeptArrangement(int design, Func<Arrangement, Arrangement> change) =>
        new("arrangement", design, before => change(Core.Arranging.Arrangement.Parse(before ?? "")).ToString());

    /// <summary>The draft of a design that holds.</summary>
    public static FieldChange Draft(int design, int draft) => new("draft", design, _ => draft.ToString(CultureInfo.InvariantCulture));

    /// <summary>The lineages of the layers of a draft, by ordinal.</summary>
    public static FieldChange LineagesOf(int draft, IEnumerable<int> lineages) => new("lineages", draft, _ => $"{{{string.Join(',', lineages)}}}");

    /// <summary>How the layers of a draft were paired, as JSON.</summary>
    public static FieldChange Pairs(int draft, Func<string, string> change) => new("pairs", draft, before => change(before ?? ""));

    /// <summary>Drawing units of a design in one pt.</summary>
    public static FieldChange DrawnAt(int design, double drawnAt) => new("drawn at", design, _ => drawnAt.ToString(CultureInfo.InvariantCulture));

    /// <summary>The name of a design.</summary>
    public static FieldChange DesignName(int design, string name) => new("design name", design, _ => name);

    /// <summary>The place of a design among the others, smallest first.</summary>
    public static FieldChange Position(int design, int position) => new("position", design, _ => position.ToString(CultureInfo.InvariantCulture));

    /// <summary>When a design was removed; null for not at all.</summary>
    public static FieldChange Removed(int design, DateTime? at) => new("removed", design, _ => Text(at));

    internal static string? Text(DateTime? at) => at?.ToUniversalTime().ToString("O", CultureInfo.InvariantCulture);
}
