namespace Kalypto.Store;

/// <summary>One changed field of a step, as the history keeps it.</summary>
/// <param name="Of">The design of the layer; the design, draft or project where <paramref name="Layer"/> is negative.</param>
/// <param name="Layer">The lineage of the layer; -1 for what is said of something as a whole.</param>
/// <param name="Field">The name of the field.</param>
/// <param name="Before">Its value before, as text.</param>
/// <param name="After">Its value after, as text.</param>
internal sealed record Change(int Of, int Layer, string Field, string? Before, string? After);
