using Kalypto.Core.Arranging;

namespace Kalypto.Store;

/// <summary>A change to the arrangement of a design.</summary>
/// <param name="Design">The design.</param>
/// <param name="Change">The new arrangement out of the present one.</param>
public sealed record ArrangementEdit(int Design, Func<Arrangement, Arrangement> Change);
