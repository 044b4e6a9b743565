namespace Kalypto.Store;

/// <summary>Something that is said of a project, a design or a draft as a whole, kept as text in the history.</summary>
internal sealed record Field(string Name, string Table, string Column, string Type)
{
    private static readonly Field[] All =
    [
        new("recipes", "projects", "recipes", "text"), new("platforms", "projects", "platforms", "text[]"), new("checks", "projects", "checks", "text"),
        new("fonts", "projects", "fonts", "text"), new("tokens", "projects", "tokens", "text"),
        new("project name", "projects", "name", "text"), new("description", "projects", "description", "text"),
        new("archived", "projects", "archived_at", "timestamptz"), new("deleted", "projects", "deleted_at", "timestamptz"),
        new("arrangement", "designs", "arrangement", "text"), new("drawn at", "designs", "drawn_at", "double precision"),
        new("design name", "designs", "name", "text"), new("position", "designs", "position", "int"), new("removed", "designs", "removed_at", "timestamptz"),
        new("draft", "designs", "draft_id", "int"), new("lineages", "drafts", "lineages", "int[]"), new("pairs", "drafts", "pairs", "text"),
    ];

    public bool IsOfProject => Table == "projects";

    public bool IsOfDraft => Table == "drafts";

    /// <summary>What can be said of a project that was put away or deleted: that it is there again.</summary>
    public bool BringsBack => Name is "archived" or "deleted";

    public static Field Of(string name) => All.First(f => f.Name == name);
}
