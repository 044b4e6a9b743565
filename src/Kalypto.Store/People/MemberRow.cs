namespace Kalypto.Store.People;

/// <summary>What somebody may do in a project.</summary>
/// <param name="Person">The account.</param>
/// <param name="Name">What they are called.</param>
/// <param name="Email">Their address.</param>
/// <param name="Role">What they may do.</param>
public sealed record MemberRow(int Person, string Name, string Email, Role Role);
