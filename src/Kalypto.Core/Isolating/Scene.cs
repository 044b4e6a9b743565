using Kalypto.Core.Designs;

namespace Kalypto.Core.Isolating;

/// <summary>What is to be drawn: a document that this core wrote or, for what only the exact engine draws right, the layer in its own file.</summary>
/// <param name="write">Writes the document.</param>
/// <param name="exact">What the exact engine draws instead; null for what the quick engine draws.</param>
public sealed class Scene(Func<string> write, SourceCut? exact = null)
{
    /// <summary>SVG text made by this core, for the quick engine; written when it is asked for.</summary>
    public string Document => write();

    /// <summary>What the exact engine draws instead; null for what the quick engine draws.</summary>
    public SourceCut? Exact => exact;

    /// <summary>A scene for the quick engine.</summary>
    public static implicit operator Scene(string document) => new(() => document);
}
