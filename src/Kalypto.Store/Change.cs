namespace Kalypto.Store;

/// <summary>One changed field of a step, as the history keeps it.</summary>
/// <param name="Draft">The draft of the layer; the design or project where <paramref name="Ordinal"/> is negative.</param>
/// <param name="Ordinal">The layer; -1 for what is said of a design or project as a whole.</param>
/// <param name="Field">The name of the field.</param>
/// <param name="Before">Its value before, as text.</param>
/// <param name="After">Its value after, as text.</param>
internal sealed record Change(int Draft, int Ordinal, string Field, string? Before, string? After);
