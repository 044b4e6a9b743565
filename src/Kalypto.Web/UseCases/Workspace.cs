using Kalypto.Core.Designs;
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

    /// <summary>A layer of a design; null when there is no such design or layer.</summary>
    public (DesignRow Row, DesignState State, Layer Layer)? FindLayer(int design, int ordinal) =>
        Designs.FirstOrDefault(d => d.Row.Id == design) is { Row: { } row, State: { } state } && ordinal >= 0 && ordinal < state.Measured.Drawing.Layers.Length
            ? (row, state, state.Measured.Drawing.Layers[ordinal]) : null;

    /// <summary>A screen of a design by its place; null when there is no such design or screen.</summary>
    public (DesignRow Row, DesignState State, Screen Screen)? FindScreen(int design, int index) =>
        Designs.FirstOrDefault(d => d.Row.Id == design) is { Row: { } row, State: { } state } && index >= 0 && index < state.Measured.Drawing.Screens.Length
            ? (row, state, state.Measured.Drawing.Screens[index]) : null;
}
