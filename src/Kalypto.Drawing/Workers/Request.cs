using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Rendering;
using Kalypto.Core.Styling;

namespace Kalypto.Drawing.Workers;

/// <summary>A request to a worker; the document follows as the body.</summary>
internal sealed record Request(WorkerTask Task, double Width, double Height, Effort Effort, IReadOnlyList<string> Ids)
{
    /// <summary>True when the body is what the exact engine made, a PNG a whole number of times larger or a PDF; else it is a document.</summary>
    public bool IsDrawn { get; init; }

    /// <summary>How many px more on each side the document shows that are cut off.</summary>
    public double Margin { get; init; }

    /// <summary>The pixels that are drawn, with those that are cut off.</summary>
    public double Pixels => (Width + 2 * Margin) * (Height + 2 * Margin);

    /// <summary>How many times larger than a px of the page that was printed a unit of what is made of it is.</summary>
    public double PrintedAt { get; init; } = 1;

    /// <summary>What to cut out of a file.</summary>
    public SourceCut? Cut { get; init; }

    /// <summary>The fonts of the project that texts in it ask for.</summary>
    public IReadOnlyList<FontOnDisk> Fonts { get; init; } = [];

    /// <summary>Lines of text to be measured.</summary>
    public IReadOnlyList<TextAsk> Texts { get; init; } = [];

    /// <summary>What a drawing is called that does not say so itself.</summary>
    public string Name { get; init; } = "";

    /// <summary>The format of a file, by its id.</summary>
    public string Format { get; init; } = "";

    /// <summary>The quality of a file, as it is typed; empty for the usual one.</summary>
    public string Quality { get; init; } = "";

    /// <summary>The lines around a file that say how it stretches; null for a plain picture.</summary>
    public NinePatch? Patch { get; init; }

    /// <summary>True for pixels in Display P3, which the file is to say.</summary>
    public bool IsP3 { get; init; }

    /// <summary>Lines that a file carries.</summary>
    public CreditLines Credit { get; init; } = CreditLines.None;

    /// <summary>The same lines in ASCII; the worker has no tables of letters.</summary>
    public CreditLines PlainCredit { get; init; } = CreditLines.None;
}
