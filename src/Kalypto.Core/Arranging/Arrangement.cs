using System.Collections.Immutable;
using System.Text.Json;

namespace Kalypto.Core.Arranging;

/// <summary>How the team orders one drawing: its screens, and loose layers put together. The drawing itself is never changed.</summary>
/// <param name="Screens">The screens in their order; empty for those of the drawing.</param>
/// <param name="Made">Layers that are not in the file, in the order in which they were made.</param>
public sealed record Arrangement(ImmutableArray<ArrangedScreen> Screens, ImmutableArray<MadeLayer> Made)
{
    /// <summary>As the file has it.</summary>
    public static Arrangement None { get; } = new([], []);

    /// <summary>True when nothing is arranged.</summary>
    public bool IsNone => Screens.IsEmpty && Made.IsEmpty;

    /// <summary>Reads what <see cref="ToString"/> wrote.</summary>
    /// <exception cref="JsonException">The text is something else.</exception>
    public static Arrangement Parse(string text) =>
        text.Length == 0 ? None : JsonSerializer.Deserialize<Arrangement>(text) ?? throw new JsonException("No arrangement.");

    /// <summary>The arrangement as text; equal arrangements give equal texts, none gives an empty one.</summary>
    public override string ToString() => IsNone ? "" : JsonSerializer.Serialize(this);

    /// <inheritdoc/>
    public bool Equals(Arrangement? other) => other is not null && ToString() == other.ToString();

    /// <inheritdoc/>
    public override int GetHashCode() => ToString().GetHashCode(StringComparison.Ordinal);
}
