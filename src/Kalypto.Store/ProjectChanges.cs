using Kalypto.Core.Deciding;

namespace Kalypto.Store;

/// <summary>A project, and what was changed in it since a revision.</summary>
/// <param name="Project">The project as it is.</param>
/// <param name="Designs">The designs that were changed, those that were removed among them.</param>
/// <param name="Marks">What is said of the layers of their drafts by ordinal, by design.</param>
public sealed record ProjectChanges(ProjectRow Project, IReadOnlyList<DesignRow> Designs, IReadOnlyDictionary<int, Dictionary<int, Mark>> Marks);
