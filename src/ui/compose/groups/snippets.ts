/** Pieces of code to begin from, each valid and known to all major readers by day. */
export const snippets: readonly { name: string; html: string }[] = [
  {
    name: 'Two columns',
    html: `<table role="presentation" width="100%" cellpadding="0" cellspacing="0">
  <tr>
    <td width="50%" valign="top" style="padding:0 8px 0 0">Left</td>
    <td width="50%" valign="top" style="padding:0 0 0 8px">Right</td>
  </tr>
</table>`,
  },
  {
    name: 'Line beside words',
    html: `<table role="presentation" width="100%" cellpadding="0" cellspacing="0">
  <tr>
    <td style="border-left:4px solid #777777;padding:4px 0 4px 14px">Words with a line beside them.</td>
  </tr>
</table>`,
  },
  {
    name: 'Badge',
    html: `<table role="presentation" cellpadding="0" cellspacing="0">
  <tr>
    <td bgcolor="#20272b" style="background-color:#20272b;padding:3px 10px;color:#ffffff;font-size:13px">New</td>
  </tr>
</table>`,
  },
  {
    name: 'Numbered step',
    html: `<table role="presentation" width="100%" cellpadding="0" cellspacing="0">
  <tr>
    <td width="40" valign="top" style="font-size:26px;line-height:30px">1</td>
    <td valign="top" style="padding:2px 0 12px">What is done first.</td>
  </tr>
</table>`,
  },
  {
    name: 'Words that open (box)',
    html: `<input type="checkbox" id="more" style="display:none">
<label for="more" style="display:block;padding:10px 0"><strong>Read on</strong></label>
<div class="more">What is read then.</div>`,
  },
]
