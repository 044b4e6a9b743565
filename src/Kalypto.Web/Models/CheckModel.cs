namespace Kalypto.Web.Models;

/// <summary>One check with what it found.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">What it looks for.</param>
/// <param name="Severity">The worst severity of what it found.</param>
/// <param name="Count">How much it found.</param>
/// <param name="Fixable">How much of that can be settled here.</param>
/// <param name="What">What it finds, in a sentence.</param>
/// <param name="Why">Why that matters.</param>
/// <param name="Remedy">What to do.</param>
/// <param name="IsEssential">True when it is always on.</param>
/// <param name="IsChanged">True when the project gave it another severity.</param>
/// <param name="Findings">What it found, the first of it.</param>
public sealed record CheckModel(
    string Id, string Name, string Severity, int Count, int Fixable, string What, string Why, string Remedy, bool IsEssential, bool IsChanged, IReadOnlyList<CheckFinding> Findings);
