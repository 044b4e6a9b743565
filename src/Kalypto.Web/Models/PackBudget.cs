namespace Kalypto.Web.Models;

/// <summary>A budget beside what it is for.</summary>
/// <param name="Name">The whole pack, or a kind.</param>
/// <param name="Bytes">What that weighs.</param>
/// <param name="Most">What it may weigh.</param>
/// <param name="Text">Both for people.</param>
public sealed record PackBudget(string Name, long Bytes, long Most, string Text);
