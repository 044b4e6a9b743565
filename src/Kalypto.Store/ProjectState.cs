using System.Text.Json;
using Kalypto.Core.Deciding;
using Kalypto.Core.Tagging;

namespace Kalypto.Store;

/// <summary>A project and all that is said in it, at one moment.</summary>
/// <param name="Project">The project, with its recipes.</param>
/// <param name="Designs">Its designs with their newest drafts, and what was said of their layers by ordinal.</param>
public sealed record ProjectState(ProjectRow Project, IReadOnlyList<(DesignRow Design, IReadOnlyDictionary<int, Mark> Marks)> Designs)
{
    private sealed record SavedMark(int Layer, Decision Decision, string? Name, string Tags, bool Dismissed, bool Apart);

    private sealed record SavedDesign(DesignRow Design, IReadOnlyList<SavedMark> Marks);

    private sealed record Saved(ProjectRow Project, IReadOnlyList<SavedDesign> Designs);

    /// <summary>Writes it as JSON.</summary>
    public string ToJson() => JsonSerializer.Serialize(new Saved(Project, [.. Designs.Select(d => new SavedDesign(d.Design,
        [.. d.Marks.OrderBy(m => m.Key).Select(m => new SavedMark(m.Key, m.Value.Decision, m.Value.ShipName, m.Value.Tags.ToString(), m.Value.Dismissed, m.Value.Apart))]))]));

    /// <summary>Reads it back.</summary>
    /// <exception cref="JsonException">The text was not written by <see cref="ToJson"/>.</exception>
    public static ProjectState FromJson(string json)
    {
        var saved = JsonSerializer.Deserialize<Saved>(json) ?? throw new JsonException("Nothing was saved.");
        return new(saved.Project, [.. saved.Designs.Select(d => (d.Design, (IReadOnlyDictionary<int, Mark>)d.Marks.ToDictionary(
            m => m.Layer, m => new Mark(m.Decision, m.Name, Tags.Parse(m.Tags)) { Dismissed = m.Dismissed, Apart = m.Apart })))]);
    }
}
