using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;
using Kalypto.Store;

namespace Kalypto.Web.UseCases;

/// <summary>A project with its designs, loaded for one request.</summary>
/// <param name="Row">The project.</param>
/// <param name="Designs">Its designs with their newest drafts, and what was said of their layers.</param>
/// <param name="Platforms">The platforms packed for.</param>
public sealed record Workspace(ProjectRow Row, IReadOnlyList<(DesignRow Row, DesignState State)> Designs, IReadOnlyList<IPlatform> Platforms)
{
    /// <summary>The designs alone.</summary>
    public IReadOnlyList<DesignState> States => [.. Designs.Select(d => d.State)];
}
