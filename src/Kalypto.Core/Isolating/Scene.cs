using Kalypto.Core.Designs;

namespace Kalypto.Core.Isolating;

/// <summary>What is to be drawn: a document that this core wrote and, for what only the exact engine draws right, the layer in its own file.</summary>
/// <param name="Document">SVG text made by this core, for the quick engine.</param>
/// <param name="Exact">What the exact engine draws instead, where there is one; null for what the quick engine draws as well.</param>
public sealed record Scene(string Document, SourceCut? Exact = null)
{
    /// <summary>A scene for the quick engine.</summary>
    public static implicit operator Scene(string document) => new(document);
}
