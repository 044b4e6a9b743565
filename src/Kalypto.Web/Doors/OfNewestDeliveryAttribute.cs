namespace Kalypto.Web.Doors;

/// <summary>Marks a route that is about no delivery in particular and may be used by whoever sees the newest one alone: it shows them nothing of the others.</summary>
[AttributeUsage(AttributeTargets.Class | AttributeTargets.Method)]
internal sealed class OfNewestDeliveryAttribute : Attribute;
