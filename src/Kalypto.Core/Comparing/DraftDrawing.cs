using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;

namespace Kalypto.Core.Comparing;

/// <summary>One draft of a design: its drawing, and which layer is which.</summary>
/// <param name="Measured">The drawing as the file has it.</param>
/// <param name="Lineages">The lineages of its layers.</param>
public sealed record DraftDrawing(MeasuredDrawing Measured, Lineages Lineages);
