using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;

namespace Kalypto.Core.Isolating;

/// <summary>What is to be drawn: a document that this core wrote or, for what only the exact engine draws right, the layer in its own file.</summary>
/// <param name="write">Writes the document.</param>
/// <param name="isExact">True for what the exact engine draws.</param>
/// <param name="cut">Where it finds the layer in its own file; null where that cannot be cut out, so that it draws the document.</param>
/// <param name="layout">How a browser lays it out; null for a document whose px are those of the picture.</param>
public sealed class Scene(Func<string> write, bool isExact = false, SourceCut? cut = null, WindowLayout? layout = null)
{
    /// <summary>SVG text made by this core; written when it is asked for.</summary>
    public string Document => write();

    /// <summary>True for what the exact engine draws.</summary>
    public bool IsExact => isExact;

    /// <summary>Where the exact engine finds the layer in its own file; null where it draws the document, or does not draw at all.</summary>
    public SourceCut? Cut => cut;

    /// <summary>How a browser lays it out; null for a document whose px are those of the picture.</summary>
    public WindowLayout? Layout => layout;

    /// <summary>How many px more on each side the quick engine draws that are cut off again: its filters know nothing of what lies outside. 0 for most.</summary>
    public double Margin { get; init; }

    /// <summary>Writes the document with its margin; null for none.</summary>
    public Func<string>? WithMargin { get; init; }

    /// <summary>The fonts of the project that texts in it ask for.</summary>
    public FontBook Fonts { get; init; } = FontBook.Empty;

    /// <summary>A scene for the quick engine.</summary>
    public static implicit operator Scene(string document) => new(() => document);
}
